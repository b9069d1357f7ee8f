/** Something that the server has not answered for. Its id is made here: sent twice, it counts once. */
export interface Waiting {
  readonly id: string;
  readonly projectId: string;
  /** Why the server refused it, in its words; empty while it can still go. */
  readonly problem: string;
}
