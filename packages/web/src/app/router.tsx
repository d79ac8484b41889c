import { createBrowserRouter } from 'react-router';
import { PREFIX } from './place.ts';
import { routes } from './routes.tsx';

export const router = createBrowserRouter(routes, { basename: PREFIX || '/' });
