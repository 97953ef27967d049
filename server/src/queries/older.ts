/** A stored document of an older version. */
export interface Older {
  readonly workspaceId: string;
  readonly id: string;
  readonly document: unknown;
}
