import type Type from 'typebox';
import type { Permission } from '@/model';
import type { Actor } from '../actor';

/* What another program can ask for. One table says it all: the doors, the description and the page are made from it. */

/** What is asked of an operation. What stands in the address is text; a body is JSON, or bytes where the operation says so. */
export interface Asked {
  readonly path: Readonly<Record<string, string>>;
  readonly query: Readonly<Record<string, string>>;
  readonly body: unknown;
}

/** A file as an answer. */
export interface FileAnswer {
  readonly body: Uint8Array | string;
  readonly type: string;
  /** Under which name it is kept; null: it is looked at, and never changes. */
  readonly name: string | null;
}

/** A body that is no JSON: of these media types, at most so many bytes. */
export interface BytesTaken {
  readonly media: readonly string[];
  readonly most: number;
}

interface Described {
  /** Stable; the name of the function in a generated client. */
  readonly id: string;
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** From `/api/v1` on, with `{names}` of what stands in it. */
  readonly path: string;
  readonly about: Subject;
  /** What it does, in one line. */
  readonly title: string;
  /** What one must know beside it. */
  readonly note?: string;
  /** One permission of each group. */
  readonly needs: readonly (readonly Permission[])[];
  readonly query?: Type.TObject;
  /** What else the query may name: filters of a list. */
  readonly openQuery?: boolean;
  readonly body?: Type.TSchema;
  readonly bytes?: BytesTaken;
}

/** An operation whose answer is JSON of a schema, or nothing. */
export interface JsonOperation extends Described {
  readonly answer: Type.TSchema | null;
  /** Something new is there after it. */
  readonly makes?: boolean;
  readonly act: (actor: Actor, asked: Asked) => Promise<unknown>;
}

/** An operation whose answer is a file of one of some media types. */
export interface FileOperation extends Described {
  readonly files: readonly string[];
  readonly act: (actor: Actor, asked: Asked) => Promise<FileAnswer>;
}

export type Operation = JsonOperation | FileOperation;

/** What operations are about, in the order of the page. */
export const subjects = [
  'Access',
  'Customers',
  'Proposals',
  'Agreements',
  'Invoices',
  'Payments',
  'Library',
  'Letters and files',
  'Lists and reports',
] as const;
export type Subject = (typeof subjects)[number];

/** The same, unchangeable all the way down. */
export type Deep<T> = T extends readonly (infer Each)[]
  ? readonly Deep<Each>[]
  : T extends object
    ? { readonly [Key in keyof T]: Deep<T[Key]> }
    : T;

/** An operation whose act answers what its schema says. */
export const operation = <Answer extends Type.TSchema>(
  one: Described & {
    readonly answer: Answer;
    readonly makes?: boolean;
    readonly act: (actor: Actor, asked: Asked) => Promise<Deep<Type.Static<Answer>>>;
  },
): JsonOperation => one;

/** An operation that answers nothing. */
export const quietOperation = (
  one: Described & { readonly act: (actor: Actor, asked: Asked) => Promise<void> },
): JsonOperation => ({ ...one, answer: null });

export const fileOperation = (one: FileOperation): FileOperation => one;

export const csvType = 'text/csv; charset=utf-8; header=present';
export const xlsxType = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
