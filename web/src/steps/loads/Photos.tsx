import type { Load } from '@joulemetric/core';
import { changeLoad } from '../../commands/loads.ts';
import { api } from '../../edges/api.ts';
import { useEditing } from '../../shell/JobContext.tsx';
import { CameraButton } from '../../ui/CameraButton.tsx';
import { PhotoUnsent } from './PhotoUnsent.tsx';
import { usePhotoSender } from './usePhotoSender.ts';

/** Photos of a load's label. One that could not be sent is kept here until it could. */
export function Photos({ load }: { load: Load }) {
  const { session, edit } = useEditing();
  const sender = usePhotoSender();
  return (
    <div>
      <p className="flex items-baseline justify-between">
        <span className="text-note text-ink-2">Photos of the label</span>
        {load.photos.length < 8 && (
          <CameraButton label="Add a photo of the label" onPhoto={(photo) => void sender.send(load.id, photo)}>
            Take one
          </CameraButton>
        )}
      </p>
      <PhotoUnsent sender={sender} />
      <ul className="mt-1 grid grid-cols-3 gap-2">
        {load.photos.map((id, i) => (
          <li key={id}>
            <a href={api.photoUrl(session.id, id)} target="_blank" rel="noreferrer">
              <img
                src={api.photoUrl(session.id, id)}
                alt={`Label ${i + 1} of ${load.name}; not in this job if it came with a file`}
                loading="lazy"
                className="aspect-square w-full border border-line object-cover text-note"
              />
            </a>
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
