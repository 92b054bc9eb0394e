/** What a long task has to do with whoever has asked for it. */
export interface Ongoing {
  /** It should end with what it has. */
  readonly ends: () => boolean;
  readonly tell: (news: unknown) => void;
}
