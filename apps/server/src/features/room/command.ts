import type { BookCheck } from '@druckerei/contract';
import { connect } from '../../db/database.js';
import { checkBook } from './book.js';

/** Walks the chain of a works' book. @param hash that somebody has on paper. */
export async function checkBookAt(application: string, hash?: string): Promise<BookCheck> {
  const database = connect(application, () => undefined);
  try {
    return await checkBook(database, hash);
  } finally {
    await database.close();
  }
}
