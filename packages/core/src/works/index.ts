export { BOARD_CUTTER, HAND_BENCH } from './finishing-machines.js';
export { checkMachine } from './check-machine.js';
export { checkInk, checkSupply } from './check-house-inks.js';
export {
  type Contact,
  type HouseInk,
  type HouseSupply,
  type ItemKind,
  type KeptInk,
  CONTACTS,
  ITEM_KINDS,
} from './house-inks.js';
export { AIM_FIELDS, INK_FIELDS, SUPPLY_FIELDS } from './ink-fields.js';
export { checkStock } from './check-stock.js';
export {
  type FieldGroup,
  FROM_THE_ROLL,
  MACHINE_FIELDS,
  PRINTING,
  STOCK_FIELDS,
  STOCK_LISTS,
  fieldAt,
  groupsFor,
  hasGroup,
  withField,
} from './machine-fields.js';
export { type FieldKind, type WorksField } from './works-field.js';
export { MACHINE_TYPES } from './machine-types.js';
export {
  type PriceColumn,
  type PriceListKey,
  type PricedPer,
  PRICE_COLUMNS,
  PRICED_PER,
  guessColumns,
} from './price-line.js';
export { type PriceList, type WrongLine, readPriceList } from './price-list.js';
export { idOf } from './item-id.js';
export { guessDecimal, readAmount, readFlag, readSheetSize } from './read-cells.js';
export { NEW_WORKS, SHIPPED_WORKS } from './shipped-works.js';
export { type SupplyId, PACKING, SUPPLIES } from './supplies.js';
export {
  type FluteId,
  type HouseFold,
  type Machine,
  type MachineTakes,
  type NormValue,
  type Supplied,
  type SupplierPrices,
  type PlateSpec,
  type PressLimits,
  type RegisterControls,
  type SheetSize,
  type Stock,
  type WebLimits,
  type Works,
  type WorksSettings,
  FLUTE_IDS,
  WORKS_SETTINGS,
  inUse,
  printingOf,
  toldSettings,
} from './works.js';
export { TICKET_PARTS, type TicketPart, isTicketPart, ticketWithout } from './ticket-parts.js';
export { type SupplyPrice, PRICE_COUNTS, PRICE_MEASURES } from './asked-price.js';
export { type PaperItem, isPaperKey, paperKey } from './paper-item.js';
export { inkKey, supplyKey } from './supply-key.js';
export {
  type Purchase,
  type Priced,
  type Seller,
  costAt,
  costWorking,
  kilograms,
  paperPriceKey,
  priceOn,
  sellersOf,
  sellersOfAll,
  sumOfPrices,
} from './supply-price.js';
export { type DayPrice, dayPrice } from './day-price.js';
