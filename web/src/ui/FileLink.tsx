/** A file to be read, as a link of the page. */
export function FileLink({
  children,
  accept,
  title,
  disabled,
  onFile,
}: {
  children: string;
  accept: string;
  title?: string;
  disabled: boolean;
  onFile: (file: File) => void;
}) {
  return (
    <label
      title={title}
      className="cursor-pointer border-b border-mark focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-copper hover:text-ink phone:inline-block phone:py-3"
    >
      {children}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        disabled={disabled}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
