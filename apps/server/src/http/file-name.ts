/** A number of a job, an offer or an order as part of a file's name: what a name cannot hold becomes a hyphen. */
export const inFileName = (number: string): string => number.replace(/[^\w.-]+/g, '-');
