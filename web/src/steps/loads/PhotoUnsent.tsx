import type { usePhotoSender } from './usePhotoSender.ts';

/** Says that a photo is still here, and sends it again. */
export function PhotoUnsent({ sender: { unsent, send } }: { sender: ReturnType<typeof usePhotoSender> }) {
  if (!unsent) return null;
  return (
    <p role="alert" className="text-note text-copper">
      The photo has not been sent: {unsent.problem}{' '}
      <button
        type="button"
        className="border-b border-copper phone:min-h-11"
        onClick={() => void send(unsent.loadId, unsent.photo)}
      >
        Try again
      </button>
    </p>
  );
}
