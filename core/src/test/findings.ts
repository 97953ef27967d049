import type { Finding, FindingCode, FindingOf } from '../findings/finding.ts';

/** The first finding of a kind, with the values that such a one has. */
export const findingOf = <C extends FindingCode>(findings: readonly Finding[], code: C): FindingOf<C> | undefined =>
  findings.find((finding): finding is FindingOf<C> & Finding => finding.code === code);
