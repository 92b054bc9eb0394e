/** Grammage over which a sheet is scored before it is folded. Source: practice, handbook chapter 7 "Folding". */
export const SCORE_OVER_GSM = 170;
