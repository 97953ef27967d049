import { useState } from 'react';
import { changeLoad } from '../../commands/loads.ts';
import { useEditing } from '../../shell/JobContext.tsx';

/** Photos of labels that a load keeps. */
export const MOST_PHOTOS = 8;

/** Keeps photos of labels and puts them to their loads at once, with or without a signal. */
export function usePhotoSender() {
  const { session, edit } = useEditing();
  const [problem, setProblem] = useState<string | null>(null);
  const send = async (loadId: string, photo: File): Promise<void> => {
    const load = session.snapshot().job.loads.find(({ id }) => id === loadId);
    if (load && load.photos.length >= MOST_PHOTOS) {
      setProblem(`${load.name} has ${MOST_PHOTOS} photos already. Take one off first.`);
      return;
    }
    setProblem(null);
    // Fetched as soon as the page was there.
    const { keepPhoto } = await import('../../edges/useOutbox.ts');
    const id = await keepPhoto(session.id, photo);
    edit((job) => {
      const now = job.loads.find((other) => other.id === loadId);
      return now ? changeLoad(loadId, { photos: [...now.photos, id].slice(0, MOST_PHOTOS) })(job) : job;
    });
  };
  return { send, problem };
}
