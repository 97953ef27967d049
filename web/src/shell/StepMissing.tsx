import { useRouteError } from 'react-router';
import { Button } from '../ui/Button.tsx';

/** A step that could not be fetched, for want of a signal or because the application was renewed, or that failed; edits wait in the browser. */
export function StepMissing() {
  const error = useRouteError();
  return (
    <div className="px-5 pt-3.5 phone:px-4">
      <h1 className="text-question font-semibold">This step cannot be shown just now</h1>
      <p className="mt-1 max-w-[560px] text-number text-ink-2">
        It may need the server once more. What you have typed is kept in this browser and is saved as soon as there is a
        signal.
      </p>
      <p className="num mt-1 text-note text-ink-2">{error instanceof Error ? error.message : String(error)}</p>
      <Button strong className="mt-3" onClick={() => window.location.reload()}>
        Try again
      </Button>
    </div>
  );
}
