import type { Component, Unordered } from '../job/index.js';

/** Whether a second run prints from the carriers of the first: the same press, sheet and work style. */
export function usesHeldCarriers({ components }: Unordered, { runOf, press, sheet, workStyle }: Component): boolean {
  const first = components.find(({ id }) => id === runOf);
  return (
    first?.press === press &&
    first.workStyle === workStyle &&
    first.sheet.widthMm === sheet.widthMm &&
    first.sheet.heightMm === sheet.heightMm
  );
}
