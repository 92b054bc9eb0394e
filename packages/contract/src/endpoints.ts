import { SESSION } from './endpoints/session.js';
import { PEOPLE } from './endpoints/people.js';
import { PROGRAMS } from './endpoints/programs.js';
import { HOOKS } from './endpoints/hooks.js';
import { WORKS } from './endpoints/works.js';
import { JOBS } from './endpoints/jobs.js';
import { PRESS_ROOM } from './endpoints/press-room.js';
import { LEARNING } from './endpoints/learning.js';
import { QUALITY } from './endpoints/quality.js';
import { STORES } from './endpoints/stores.js';
import { PURCHASING } from './endpoints/purchasing.js';
import { DESK } from './endpoints/desk.js';
import { FLOOR } from './endpoints/floor.js';
import { GOODS } from './endpoints/goods.js';
import { CUSTOMERS } from './endpoints/customers.js';
import { DOCUMENTS } from './endpoints/documents.js';
import { PRACTICE } from './endpoints/practice.js';
import { UPKEEP } from './endpoints/upkeep.js';

export { type Endpoint, isAudited } from './endpoints/endpoint.js';

/** Every route of the server: registered from this table, documented from it, and tested from it. */
export const ENDPOINTS = [
  ...SESSION,
  ...PEOPLE,
  ...PROGRAMS,
  ...HOOKS,
  ...WORKS,
  ...JOBS,
  ...PRESS_ROOM,
  ...LEARNING,
  ...QUALITY,
  ...STORES,
  ...PURCHASING,
  ...GOODS,
  ...DESK,
  ...FLOOR,
  ...CUSTOMERS,
  ...DOCUMENTS,
  ...PRACTICE,
  ...UPKEEP,
] as const;

export type EndpointId = (typeof ENDPOINTS)[number]['id'];
