import type { Patch } from 'immer';
import { applyPatches, enablePatches, produceWithPatches } from 'immer';
import { memoLast } from '@/core/collections/memoByIdentity';
import { alike, mergeOver, toJsonPatch } from '@/core/editing';
import type { Answer, PricesGiven, ProblemDetails, ProposalDocument } from '@/model';
import { withPatience } from '@/ui/patience';
import { EditHistory } from './editHistory';
import { canRebase } from './rebase';
import type { Keep, KeptEdits, Missed, SaveAnswer, SaveProposal, Saving, StoreSnapshot } from './storeTypes';

enablePatches();

/** Milliseconds from the first unsaved edit to its saving. */
const PAUSE = 350;
/** Milliseconds until what found no answer is tried again. */
const RETRY = 4000;
/** Milliseconds from an edit to its being kept by the browser. */
const KEEP_PAUSE = 100;

/** Makes a draft what another document is, nothing left over. */
function putWhole(draft: ProposalDocument, wanted: ProposalDocument): void {
  const to = draft as unknown as Record<string, unknown>;
  for (const key of Object.keys(draft)) if (!Object.hasOwn(wanted, key)) Reflect.deleteProperty(draft, key);
  for (const [key, value] of Object.entries(wanted)) if (to[key] !== value) to[key] = value;
}

/** A document with its prices beside it: the same one as long as neither changes. */
const pricedWith = memoLast((document: ProposalDocument, pricedAt: PricesGiven): ProposalDocument => ({
  ...document,
  pricedAt,
}));

/** Who has to sign in again, or to wait, is not refused: the same goes again later. */
const isRefusal = (problem: ProblemDetails | undefined): boolean =>
  problem !== undefined && problem.status < 500 && !['session-over', 'too-many-tries'].includes(problem.code);

/**
 * A proposal document in work, apart from any screen: edits as patches, undo and redo over the whole sitting, every change
 * saved as it is made against the save last seen. Nothing typed is dropped: what could not be saved stays, is kept by the
 * browser and tried again; what collides with another's change waits for a decision.
 */
export class DocumentStore {
  readonly #proposalId: string;
  readonly #save: SaveProposal;
  readonly #history = new EditHistory();
  readonly #fields = new Map<string, () => void>();
  readonly #listeners = new Set<() => void>();
  #keep: Keep = () => undefined;
  #document: ProposalDocument;
  /** The document of the save last seen. */
  #confirmed: ProposalDocument;
  #saveNumber: number;
  /** Beside the document, so that no edit, save or merge ever takes them for a part of it. */
  #prices: PricesGiven | null;
  #saving: Saving = { state: 'saved' };
  #queue: Patch[] = [];
  /** How many of the queue were sent without an answer: asked again exactly so, for the server to know them again. */
  #unanswered = 0;
  #flight: Promise<boolean> | null = null;
  #timer: ReturnType<typeof setTimeout> | null = null;
  #keepTimer: ReturnType<typeof setTimeout> | null = null;
  #snapshot: StoreSnapshot;

  /** @param prices the unit prices of a document without its costs */
  constructor(
    proposalId: string,
    first: ProposalDocument,
    firstSave: number,
    save: SaveProposal,
    prices: PricesGiven | null = null,
  ) {
    this.#prices = prices;
    this.#proposalId = proposalId;
    this.#save = save;
    this.#document = first;
    this.#confirmed = first;
    this.#saveNumber = firstSave;
    this.#snapshot = this.#look();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => void this.#listeners.delete(listener);
  };

  readonly read = (): StoreSnapshot => this.#snapshot;

  readonly hasUnsaved = (): boolean => this.#queue.length > 0 || this.#flight !== null;

  /** Edits the document; what the recipe throws goes on to the caller and changes nothing. */
  readonly edit = (recipe: (draft: ProposalDocument) => void): void => {
    const [next, patches, inverse] = produceWithPatches(this.#document, recipe);
    if (patches.length === 0) return;
    this.#history.record({ patches, inverse });
    this.#document = next;
    this.#push(patches);
    this.#tell();
  };

  readonly undo = (): void => this.#step(this.#history.undo());

  readonly redo = (): void => this.#step(this.#history.redo());

  /** What an act edits is one step back, together with what was edited under the same name just before. */
  readonly asOneEdit = (name: string, act: () => void): void => this.#history.asOne(name, act);

  /** Takes back what was edited under a name, when nothing was edited since. */
  readonly takeBack = (name: string): void => {
    if (!this.#history.endsWith(name)) return;
    this.undo();
    this.#history.forgetUndone();
    this.#tell();
  };

  /** A field holds text the document has not got yet, with the way to take it now; null: no more. */
  readonly typing = (field: string, take: (() => void) | null): void => {
    const had = this.#fields.size > 0;
    if (take) this.#fields.set(field, take);
    else this.#fields.delete(field);
    if (had !== this.#fields.size > 0) this.#tell();
  };

  /** Takes what the fields hold. */
  readonly takeTyped = (): void => {
    for (const take of [...this.#fields.values()]) take();
  };

  /**
   * Edits kept from an earlier page come back, as one step that can be undone where nothing changed since. What is edited
   * here already is saved first.
   */
  readonly restore = async (kept: KeptEdits): Promise<void> => {
    if (kept.patches.length === 0) return;
    if (this.#queue.length > 0 && (await this.settle()) === null) {
      // Nothing can be saved just now: as if both had been edited here.
      const theirs = applyPatches(kept.base, [...kept.patches]);
      const merged = mergeOver(kept.base, theirs, this.#document);
      this.edit((draft) => putWhole(draft, merged));
      this.keepNow();
      return;
    }
    if (kept.saveNumber === this.#saveNumber && kept.sent === 0) {
      const [next, patches, inverse] = produceWithPatches(this.#document, (draft) => {
        applyPatches(draft, [...kept.patches]);
      });
      this.#document = next;
      this.#history.recordAlone({ patches, inverse });
      this.#push(patches);
    } else {
      // From the save they were made on: the server knows what it has already, and says what others did.
      this.#goOnFrom(kept.base, kept.saveNumber, kept.patches);
      this.#unanswered = kept.sent;
      this.#saving = { state: 'saving' };
      this.#schedule(0);
    }
    this.#told();
  };

  /** After a collision or a refusal: go on without one's own unsaved changes. */
  readonly dropMine = (): void => {
    const saving = this.#saving;
    if (saving.state === 'collided') this.#goOnFrom(saving.theirs.document, saving.theirs.saveNumber, []);
    else if (saving.state === 'waiting') this.#goOnFrom(this.#confirmed, this.#saveNumber, []);
    else return;
    this.#saving = { state: 'saved' };
    this.#told();
  };

  /** After a collision: put one's own changes over the others', as one change that can be undone. */
  readonly keepMine = (): void => {
    if (this.#saving.state !== 'collided') return;
    const { theirs } = this.#saving;
    const merged = mergeOver(this.#confirmed, this.#document, theirs.document);
    const [next, patches, inverse] = produceWithPatches(theirs.document, (draft) => {
      putWhole(draft, merged);
    });
    this.#goOnFrom(theirs.document, theirs.saveNumber, []);
    this.#document = next;
    this.#queue = [...patches];
    this.#history.startAnew({ patches, inverse });
    this.#saving = this.#queue.length === 0 ? { state: 'saved' } : { state: 'saving' };
    this.#schedule(0);
    this.#told();
  };

  /**
   * The document as others left it, heard of by the way. Told while something of ours is on its way, or went without an
   * answer, it waits: what stands there may be ours, and only the answer to our saving says so.
   */
  readonly hear = (missed: Missed): void => {
    if (this.#flight || this.#unanswered > 0 || this.#saving.state === 'collided') return;
    if (missed.saveNumber <= this.#saveNumber) return;
    this.#meet(missed, 'This proposal was changed meanwhile.');
  };

  /** Saves at once, fields included, and says against which save the document now stands; null: it could not be saved. */
  readonly settle = async (): Promise<number | null> => {
    this.takeTyped();
    if (this.#timer) clearTimeout(this.#timer);
    this.#timer = null;
    while (this.#queue.length > 0 || this.#flight) if (!(await this.flush())) return null;
    return this.#saveNumber;
  };

  /** Whoever leaves takes nothing along: fields are taken, what is unsaved is kept and sent. */
  readonly leave = (): void => {
    this.takeTyped();
    if (this.#queue.length > 0) this.keepNow();
    void this.flush();
  };

  /** Sends what is not saved; one sending at a time. Resolves to false when it could not be saved. */
  readonly flush = (): Promise<boolean> => {
    if (this.#flight) return this.#flight;
    if (this.#queue.length === 0) return Promise.resolve(true);
    this.#flight = this.#send().finally(() => {
      this.#flight = null;
    });
    return this.#flight;
  };

  /** From now on the browser keeps what is unconfirmed. */
  readonly keepWith = (keep: Keep): void => {
    this.#keep = keep;
    if (this.#queue.length > 0) this.keepNow();
  };

  /** What is unconfirmed is kept at once. */
  readonly keepNow = (): void => {
    if (this.#keepTimer) clearTimeout(this.#keepTimer);
    this.#keepTimer = null;
    this.#keep(
      this.#queue.length === 0
        ? null
        : {
            saveNumber: this.#saveNumber,
            base: this.#confirmed,
            patches: [...this.#queue],
            sent: this.#unanswered,
          },
    );
  };

  #look(): StoreSnapshot {
    return {
      document: this.#prices ? pricedWith(this.#document, this.#prices) : this.#document,
      saving: this.#saving,
      saveNumber: this.#saveNumber,
      undo: this.#history.undoable,
      redo: this.#history.redoable,
      typing: this.#fields.size > 0,
    };
  }

  #tell(): void {
    this.#snapshot = this.#look();
    for (const listener of this.#listeners) listener();
  }

  /** What came of it is kept by the browser, then told. */
  #told(): void {
    this.keepNow();
    this.#tell();
  }

  // The first unsaved edit starts the clock and later ones do not start it again: who types without a pause is saved too.
  #schedule(pause: number): void {
    this.#timer ??= setTimeout(() => {
      this.#timer = null;
      void this.flush();
    }, pause);
  }

  #push(patches: readonly Patch[]): void {
    this.#queue.push(...patches);
    if (this.#saving.state === 'saved') this.#saving = { state: 'saving' };
    this.#schedule(PAUSE);
    this.#keepTimer ??= setTimeout(this.keepNow, KEEP_PAUSE);
  }

  #step(patches: readonly Patch[] | null): void {
    if (!patches) return;
    this.#document = applyPatches(this.#document, [...patches]);
    this.#push(patches);
    this.#tell();
  }

  /** Goes on from another state of the document; what was done before can not be undone on it. */
  #goOnFrom(next: ProposalDocument, saveNumber: number, mine: readonly Patch[]): void {
    this.#confirmed = next;
    this.#saveNumber = saveNumber;
    this.#queue = [...mine];
    this.#unanswered = 0;
    this.#history.startAnew();
    this.#document = mine.length === 0 ? next : applyPatches(next, this.#queue);
  }

  /** What others did meanwhile: put mine on top where that goes, else wait for a decision. */
  #meet(missed: Missed, why: string): boolean {
    if (this.#prices && missed.prices) this.#prices = missed.prices;
    if (missed.stored) this.#confirmSent(this.#unanswered);
    // A page of mine that was left had sent it: all of mine is there, and there is nothing to decide.
    const mine = applyPatches(this.#confirmed, this.#queue);
    const allThere = alike(mergeOver(this.#confirmed, mine, missed.document), missed.document);
    if (!allThere && !canRebase(toJsonPatch(this.#queue), missed.patches)) {
      this.#saving = { state: 'collided', why, theirs: missed };
      this.#told();
      return false;
    }
    this.#goOnFrom(missed.document, missed.saveNumber, allThere ? [] : this.#queue);
    this.#saving = this.#queue.length === 0 ? { state: 'saved' } : { state: 'saving' };
    if (this.#queue.length > 0) this.#schedule(0);
    this.#told();
    return true;
  }

  /** So many of the queue, from the first, are stored. */
  #confirmSent(count: number): void {
    this.#confirmed = applyPatches(this.#confirmed, this.#queue.slice(0, count));
    this.#queue = this.#queue.slice(count);
    this.#unanswered = 0;
  }

  async #send(): Promise<boolean> {
    const count = this.#unanswered > 0 ? this.#unanswered : this.#queue.length;
    const patches = toJsonPatch(this.#queue.slice(0, count));
    this.#unanswered = count;
    this.#saving = { state: 'saving' };
    this.#told();
    let answer: Answer<SaveAnswer> | null;
    try {
      const proposalId = this.#proposalId;
      answer = await withPatience(this.#save({ proposalId, saveNumber: this.#saveNumber, patches }));
    } catch {
      answer = null;
    }
    if (answer?.ok) {
      this.#confirmSent(count);
      this.#saveNumber = answer.value.saveNumber;
      // What was edited meanwhile may have a price already: those that are new stand beside the others.
      if (this.#prices && answer.value.prices) this.#prices = { ...this.#prices, ...answer.value.prices };
      if (this.#queue.length > 0) this.#schedule(0);
      else this.#saving = { state: 'saved' };
      this.#told();
      return true;
    }
    const missed = answer?.problem.context as Missed | undefined;
    if (answer && missed?.document) return this.#meet(missed, answer.problem.detail);
    this.#wait(answer?.problem);
    return false;
  }

  /** It was not stored: refused, or not answered. */
  #wait(problem: ProblemDetails | undefined): void {
    const refused = isRefusal(problem);
    // Refused, it was not stored: later edits may mend it, and go with it.
    if (refused) this.#unanswered = 0;
    else this.#schedule(RETRY);
    this.#saving = {
      state: 'waiting',
      refused,
      why: problem?.detail ?? 'The server does not answer. Your changes are kept here and tried again.',
    };
    this.#told();
  }
}
