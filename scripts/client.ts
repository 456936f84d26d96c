/* Writes the types of a client of the interface, as they are made from its description. Its test asks by them. */
import { writeFile } from 'node:fs/promises';
import { clientPath, clientTypes } from '../tests/support/client/generate';

await writeFile(clientPath, await clientTypes());
