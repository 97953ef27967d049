import { useRef } from 'react';

/** Opens the camera of a phone, or the files of a laptop, for a photo of a label. */
export function CameraButton({
  label,
  onPhoto,
  children,
}: {
  label: string;
  onPhoto: (photo: File) => void;
  children: React.ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button
        type="button"
        aria-label={label}
        title={label}
        onClick={() => input.current?.click()}
        className="min-h-8 shrink-0 border-b border-mark text-ink-2 hover:text-ink phone:min-h-11"
      >
        {children}
      </button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label={`${label}: file`}
        className="hidden"
        onChange={(event) => {
          const [photo] = event.target.files ?? [];
          event.target.value = '';
          if (photo) onPhoto(photo);
        }}
      />
    </>
  );
}
