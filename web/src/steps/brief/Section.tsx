/** One part of the brief under its own head. */
export function Section({
  title,
  wide = false,
  children,
}: {
  title: string;
  wide?: boolean;
  children: React.ReactNode;
}) {
  return (
    <section className={`border-b border-line py-4 ${wide ? 'col-span-full border-b-0' : ''}`}>
      <h2 className="mb-2.5 text-body font-semibold">{title}</h2>
      <div
        className={`grid gap-x-5 gap-y-3 ${wide ? 'grid-cols-5 @max-[960px]:grid-cols-3 @max-[560px]:grid-cols-1' : 'grid-cols-2'}`}
      >
        {children}
      </div>
    </section>
  );
}
