import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { OutboxLater } from './OutboxLater.tsx';

/** A page beside the jobs: the way back, its question, one line about it, and what went wrong. */
export function SidePage({
  question,
  about,
  problem,
  isWide = false,
  aside,
  children,
}: {
  question: string;
  about: ReactNode;
  problem: string | null;
  isWide?: boolean;
  /** Beside the way back. */
  aside?: ReactNode;
  children: ReactNode;
}) {
  return (
    <div className={`@container mx-auto px-6 py-6 phone:px-4 ${isWide ? 'max-w-[1180px]' : 'max-w-[920px]'}`}>
      <header className="flex items-center justify-between">
        <Link to="/" className="text-[18px] font-semibold phone:min-h-11">
          Joule<span className="text-copper">metric</span>
        </Link>
        {aside}
      </header>
      <main>
        <div className="mt-10 border-b border-line pb-3 phone:mt-5">
          <h1 className="text-question font-semibold">{question}</h1>
          <p className="text-number text-ink-2">{about}</p>
        </div>
        <OutboxLater className="pt-3" />
        {problem && (
          <p role="alert" className="pt-3 font-medium text-copper">
            {problem}
          </p>
        )}
        {children}
        <p className="pt-6">
          <Link
            to="/"
            className="inline-flex min-h-8 items-center rounded-[3px] border border-ink px-3 text-number font-medium hover:bg-wash phone:min-h-11"
          >
            Back to the jobs
          </Link>
        </p>
      </main>
    </div>
  );
}
