import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiError, api } from '../../edges/api.ts';
import { newUuid } from '../../edges/uuid.ts';

interface Refusal {
  readonly file: string;
  readonly reasons: readonly string[];
}

/** Opens a job file as a new job; the server checks it, and every fault is listed with its place. */
export function ImportJob() {
  const navigate = useNavigate();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const open = async (file: File) => {
    setRefusal(null);
    try {
      const stored = await api.createJob(newUuid(), JSON.parse(await file.text()));
      navigate(`/jobs/${stored.id}/loads`);
    } catch (error) {
      setRefusal({ file: file.name, reasons: reasonsOf(error) });
    }
  };
  return (
    <section className="mt-6">
      <label className="inline-block cursor-pointer border-b border-mark text-number text-ink-2 focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-copper hover:text-ink">
        Open a job file…
        <input
          type="file"
          accept="application/json,.json"
          className="sr-only"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file) void open(file);
          }}
        />
      </label>
      {refusal && (
        <div role="alert" className="mt-3">
          <p className="font-medium text-copper">{refusal.file} was not taken; nothing was stored.</p>
          <ul className="num mt-1 list-none">
            {refusal.reasons.map((reason) => (
              <li key={reason}>{reason}</li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function reasonsOf(error: unknown): string[] {
  if (error instanceof SyntaxError) return [`It is not JSON: ${error.message}`];
  if (error instanceof ApiError && error.problem.faults) {
    const reasons = error.problem.faults.map(
      ({ path, expected, found }) => `${path}: expected ${expected}${found === undefined ? '' : `, found ${found}`}`,
    );
    // What is said of the file as a whole comes first; of one fault it says the same.
    return error.message.startsWith('/') ? reasons : [error.message, ...reasons];
  }
  return [(error as Error).message];
}
