import { useState } from 'react';
import { changeLoad } from '../../commands/loads.ts';
import { sendPhoto } from '../../edges/photo.ts';
import { useEditing } from '../../shell/JobContext.tsx';

/** A photo that has not reached the server; it is kept until it has. */
interface Unsent {
  readonly loadId: string;
  readonly photo: File;
  readonly problem: string;
}

/** Sends photos of labels and puts them to their loads, whatever else is added meanwhile. */
export function usePhotoSender() {
  const { session, edit } = useEditing();
  const [unsent, setUnsent] = useState<Unsent | null>(null);
  const [sending, setSending] = useState(false);
  const send = async (loadId: string, photo: File): Promise<void> => {
    setUnsent(null);
    setSending(true);
    try {
      const id = await sendPhoto(session.id, photo);
      edit((job) => {
        const load = job.loads.find((other) => other.id === loadId);
        return load ? changeLoad(loadId, { photos: [...load.photos, id].slice(-8) })(job) : job;
      });
    } catch (error) {
      setUnsent({ loadId, photo, problem: (error as Error).message });
    }
    setSending(false);
  };
  return { send, sending, unsent };
}
