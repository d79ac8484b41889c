import type { Brief } from '@anvilstone/schema';
import { useNavigate } from 'react-router';
import { useCreatePartMutation } from '../../../sync/api/api.ts';

/** Makes a part of a brief and opens it where one goes on: at what it must do. */
export function useStartPart(): { start: (brief: Brief) => void; error: unknown } {
  const navigate = useNavigate();
  const [create, { error }] = useCreatePartMutation();
  const make = async (brief: Brief) => {
    const part = await create(brief).unwrap();
    await navigate(`/parts/${part.id}/brief`);
  };
  return { start: (brief) => void make(brief).catch(() => undefined), error };
}
