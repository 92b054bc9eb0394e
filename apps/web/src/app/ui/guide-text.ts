import { holdsWords } from './search';

/** Name of a heading in an address, as it is made wherever Markdown is shown. */
export const slugOf = (heading: string): string =>
  heading
    .toLowerCase()
    .replace(/[^\p{L}\p{N}\s-]/gu, '')
    .trim()
    .replace(/\s+/g, '-');

/** A part of a page under a heading of its own. */
export interface GuideSection {
  readonly page: string;
  readonly heading: string;
  /** Rows of tables, and paragraphs, without their marks. */
  readonly lines: readonly string[];
}

/** What a search has found: where, and the line that says it. */
export interface GuideHit {
  readonly page: string;
  readonly heading: string;
  readonly line: string;
}

/** Most hits that are told, and of one part: a table may hold hundreds. */
const MOST_HITS = 40;
const MOST_OF_ONE = 8;

/** A line as it is read: cells side by side, without marks and pictures. */
const plainLine = (line: string): string =>
  line
    .trim()
    .replace(/!\[[^\]]*\]\([^)]*\)/g, '')
    .replace(/^\s*(?:[-*]|\d+\.)\s+/, '')
    .replace(/^\||\|$/g, '')
    .replaceAll('|', ' · ')
    .replace(/[`*]/g, '')
    .replace(/\s+/g, ' ')
    .trim();

/** The parts of a page of Markdown. Lines that are broken for width are joined. */
export function sectionsOf(page: string, text: string): GuideSection[] {
  const parts = text.replace(/<!--[^]*?-->/g, '').split(/^(?=#{1,2} )/m);
  return parts.flatMap((part) => {
    const [, heading, rest = ''] = /^#{1,2} (.+)\n?([^]*)$/.exec(part) ?? [];
    if (heading === undefined) return [];
    const blocks = rest.split(/\n(?:\s*\n|(?=[-|]|\d+\.))/);
    const lines = blocks
      .map((block) => plainLine(block.replaceAll('\n', ' ')))
      .filter((line) => /[\p{L}\p{N}]/u.test(line));
    return [{ page, heading: plainLine(heading), lines }];
  });
}

/** Finds every word of a search: parts whose headings have them first. */
export function searchGuide(sections: readonly GuideSection[], typed: string): GuideHit[] {
  if (typed.trim() === '') return [];
  const holds = holdsWords(typed);
  const named = sections.filter(({ heading }) => holds(heading));
  const hits = sections.flatMap((section) => {
    const { page, heading, lines } = section;
    const own = lines.filter((line) => holds(line) || (!named.includes(section) && holds(`${heading} ${line}`)));
    return own.slice(0, MOST_OF_ONE).map((line) => ({ page, heading, line }));
  });
  return [...named.map(({ page, heading, lines }) => ({ page, heading, line: lines[0] ?? '' })), ...hits].slice(
    0,
    MOST_HITS,
  );
}
