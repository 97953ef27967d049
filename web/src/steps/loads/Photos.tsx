import type { Load } from '@joulemetric/core';
import { useState } from 'react';
import { changeLoad } from '../../commands/loads.ts';
import { api } from '../../edges/api.ts';
import { sendPhoto } from '../../edges/photo.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { CameraButton } from './CameraButton.tsx';

/** Photos of a load's label. One that could not be sent is kept here until it could. */
export function Photos({ load }: { load: Load }) {
  const { session, edit } = useJob();
  const [unsent, setUnsent] = useState<{ photo: File; problem: string } | null>(null);
  const send = async (photo: File) => {
    setUnsent(null);
    try {
      const id = await sendPhoto(session.id, photo);
      edit((job) => {
        const now = job.loads.find((other) => other.id === load.id);
        return now ? changeLoad(load.id, { photos: [...now.photos, id].slice(-8) })(job) : job;
      });
    } catch (error) {
      setUnsent({ photo, problem: (error as Error).message });
    }
  };
  return (
    <div>
      <p className="flex items-baseline justify-between">
        <span className="text-note text-ink-2">Photos of the label</span>
        {load.photos.length < 8 && (
          <CameraButton label="Add a photo of the label" onPhoto={(photo) => void send(photo)}>
            Take one
          </CameraButton>
        )}
      </p>
      {unsent && (
        <p role="alert" className="text-note text-copper">
          The photo has not been sent: {unsent.problem}{' '}
          <button
            type="button"
            className="border-b border-copper phone:min-h-11"
            onClick={() => void send(unsent.photo)}
          >
            Try again
          </button>
        </p>
      )}
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
