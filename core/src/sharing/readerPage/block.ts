/** What a part of a page is made of, on a screen as on paper. */
export type Block =
  | { kind: 'quiet' | 'strong' | 'text'; text: string }
  | { kind: 'picture'; svg: string }
  | { kind: 'figures'; pairs: readonly (readonly [name: string, value: number])[] }
  | { kind: 'pieces'; lines: readonly { title: string; status: string; about: string }[] }
  | { kind: 'dated'; lines: readonly { day: string; text: string }[] }
  /** A number a lesson: on paper only, where nobody points at a bar. */
  | { kind: 'sessions'; lines: readonly { day: string; value: string }[] };

export interface PagePart {
  title: string;
  blocks: readonly Block[];
}
