export {
  type AccountEntry,
  type AccountEntryKind,
  type AccountRules,
  type Accountable,
  type DestroyedBy,
  type IssuedOf,
  ACCOUNT_KINDS,
  DESTROYED_BY,
  INSPECTED,
  ISSUED_OF,
  isAccountEntry,
} from './entry.js';
export { type AccountContext, accountOpen, nextPile, pileGate, refuseAccount } from './gate.js';
export {
  type AccountState,
  type Bag,
  type Destruction,
  type IssuedLine,
  type Signed,
  type VoidedNumber,
  AccountLedger,
  agreed,
  baggedAt,
  isWitnessed,
  looseAt,
  outWith,
} from './ledger.js';
export { type AccountStep, type AccountWorth, accountWorth, piecesPerUnit } from './worth.js';
