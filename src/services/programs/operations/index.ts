import type { Operation } from '../operation';
import { accessOperations } from './access';
import { agreementOperations } from './agreements';
import { customerOperations } from './customers';
import { fileOperations } from './files';
import { invoiceOperations } from './invoices';
import { libraryOperations } from './library';
import { paymentOperations } from './payments';
import { proposalOperations } from './proposals';
import { reportOperations } from './reports';
import { webhookOperations } from './webhooks';

/** Everything another program can ask for. */
export const operations: readonly Operation[] = [
  ...accessOperations,
  ...webhookOperations,
  ...customerOperations,
  ...proposalOperations,
  ...agreementOperations,
  ...invoiceOperations,
  ...paymentOperations,
  ...libraryOperations,
  ...fileOperations,
  ...reportOperations,
];
