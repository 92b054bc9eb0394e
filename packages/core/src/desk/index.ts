export { type DeskDraft, type DeskFacts, type DeskRun, DRAFTS_AHEAD, deskOf } from './desk.js';
export { type DeskKind, type DeskMatter, DESK_KINDS } from './matter.js';
