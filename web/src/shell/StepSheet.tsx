import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { ClashTable } from './ClashTable.tsx';
import { useJob, useSaved } from './JobContext.tsx';

/** An undo or redo that would change what somebody else has changed since: nothing is done before somebody chooses. */
export function StepSheet() {
  const { session, job } = useJob();
  const { asked } = useSaved();
  if (!asked) return null;
  const { way, clashes, isPossible } = asked;
  const verb = way === 'undo' ? 'Undo' : 'Redo';
  return (
    <Sheet
      open
      onOpenChange={(open) => open || session.answer('cancel')}
      title={`${verb}: somebody else changed this since`}
      description={
        isPossible
          ? `Your last edit changed what is listed here, and it was changed elsewhere afterwards.`
          : 'What was added elsewhere since depends on your last edit, so it cannot be changed back as a whole.'
      }
    >
      {clashes.length > 0 && <ClashTable clashes={clashes} jobs={[job]} heads={[`After ${way}`, 'As it is now']} />}
      <div className="mt-5 flex flex-wrap gap-3">
        {isPossible && (
          <Button strong onClick={() => session.answer('over')}>
            {verb} it anyway
          </Button>
        )}
        <Button onClick={() => session.answer('rest')}>
          {isPossible ? 'Leave these as they are' : 'Skip this edit'}
        </Button>
        <Button onClick={() => session.answer('cancel')}>Cancel</Button>
      </div>
    </Sheet>
  );
}
