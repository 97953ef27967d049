/** A step begins with its question in plain words, and one line that already answers. */
export function StepHead({
  question,
  children,
  aside,
}: {
  question: string;
  children?: React.ReactNode;
  aside?: React.ReactNode;
}) {
  return (
    <header className="flex items-end justify-between gap-6 border-b border-line pb-2.5 phone:block">
      <div>
        <h1 className="text-question font-semibold">{question}</h1>
        {children && <p className="text-number text-ink-2">{children}</p>}
      </div>
      {aside}
    </header>
  );
}
