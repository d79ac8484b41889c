import { Button } from '../../ui/Button.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useAddSampleMutation } from './sampleApi.ts';

/** Brings the sample in, on its own or with its parts; what is here already stays as it is. */
export function SampleOffer({ withParts, children }: { withParts: boolean; children: string }) {
  const [add, adding] = useAddSampleMutation();
  return (
    <>
      <Button disabled={adding.isLoading} onClick={() => void add({ withParts }).catch(() => undefined)}>
        {adding.isLoading ? 'Adding …' : children}
      </Button>
      {adding.error !== undefined && <ProblemNotice error={adding.error} />}
    </>
  );
}
