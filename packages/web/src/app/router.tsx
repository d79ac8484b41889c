import { createBrowserRouter } from 'react-router';
import { PREFIX } from '../sync/address/place.ts';
import { routes } from './routes.tsx';

export const router = createBrowserRouter(routes, { basename: PREFIX || '/' });
