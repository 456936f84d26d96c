/// <reference lib="webworker" />
import { rangeOf } from '@/core/range';
import type { ProposalDocument } from '@/model';

/** Works out the range over all choices, away from where people type. Asked with a number, answers with it. */
self.onmessage = ({ data }: MessageEvent<{ ask: number; document: ProposalDocument }>) => {
  self.postMessage({ ask: data.ask, range: rangeOf(data.document) });
};
