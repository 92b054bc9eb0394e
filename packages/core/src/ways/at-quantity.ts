import type { Job } from '../job/index.js';

/** A job for another quantity; deliveries and shares told for the old one fall away. */
export function atQuantity(job: Job, quantity: number): Job {
  const { deliveries: _deliveries, ...order } = job.order;
  const old = job.order.quantity;
  const items = job.items?.map((item) => ({
    ...item,
    quantity: Math.max(1, Math.round((item.quantity * quantity) / old)),
  }));
  const total = items?.reduce((sum, item) => sum + item.quantity, 0) ?? quantity;
  return { ...job, order: { ...order, quantity: total }, ...(items ? { items } : {}) };
}
