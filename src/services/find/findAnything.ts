import { inCompany } from '@/data/connection';
import { findThings } from '@/data/find/findThings';
import type { Found } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';

/** A search takes so many letters. */
const LONGEST = 100;

/** What has all the words of a search, of every kind; nothing for less than two letters. */
export async function findAnything(actor: Actor, search: string): Promise<Found> {
  allow(actor, 'prices');
  const words = search.slice(0, LONGEST).trim();
  if (words.length < 2) return { found: [], more: [] };
  return inCompany(actor, (tx) => findThings(tx, words));
}
