import type { Load } from '@joulemetric/core';
import { changeLoad } from '../../commands/loads.ts';
import { usePhotoUrl } from '../../edges/useOutbox.ts';
import { useEditing } from '../../shell/JobContext.tsx';
import { CameraButton } from '../../ui/CameraButton.tsx';
import { MOST_PHOTOS, usePhotoSender } from './usePhotoSender.ts';

/** Photos of a load's label; one that waits for a signal is shown out of this browser meanwhile. */
export function Photos({ load }: { load: Load }) {
  const { edit } = useEditing();
  const { send, problem } = usePhotoSender();
  return (
    <div>
      <p className="flex items-baseline justify-between">
        <span className="text-note text-ink-2">Photos of the label</span>
        {load.photos.length < MOST_PHOTOS && (
          <CameraButton label="Add a photo of the label" onPhoto={(photo) => void send(load.id, photo)}>
            Take one
          </CameraButton>
        )}
      </p>
      {problem && (
        <p role="alert" className="text-note text-copper">
          {problem}
        </p>
      )}
      <ul className="mt-1 grid grid-cols-3 gap-2">
        {load.photos.map((id, i) => (
          <li key={id}>
            <Photo id={id} alt={`Label ${i + 1} of ${load.name}; not in this job if it came with a file`} />
            <button
              type="button"
              aria-label={`Take photo ${i + 1} off`}
              onClick={() => edit(changeLoad(load.id, { photos: load.photos.filter((other) => other !== id) }))}
              className="text-note text-ink-2 hover:text-ink phone:min-h-11"
            >
              Take off
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Photo({ id, alt }: { id: string; alt: string }) {
  const { session } = useEditing();
  const url = usePhotoUrl(session.id, id);
  return (
    <a href={url} target="_blank" rel="noreferrer">
      <img
        src={url}
        alt={alt}
        loading="lazy"
        className="aspect-square w-full border border-line object-cover text-note"
      />
    </a>
  );
}
