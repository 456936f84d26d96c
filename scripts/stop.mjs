// Stops the private database, should a start have been killed before it could.
import { stopCluster } from './machine.mjs';

stopCluster();
