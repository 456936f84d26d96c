import type { Transaction } from '../connection';
import { reminder } from '../schema';
import { inArray } from 'drizzle-orm';

/** The reminders that went out for some invoices. */
export const findRemindersOfInvoices = async (tx: Transaction, ids: string[]) =>
  tx.select().from(reminder).where(inArray(reminder.invoiceId, ids));

/** Keeps that a reminder goes out; nothing where it went out before. */
export const insertReminderOnce = async (tx: Transaction, row: typeof reminder.$inferInsert) =>
  tx.insert(reminder).values(row).onConflictDoNothing().returning({ id: reminder.id });
