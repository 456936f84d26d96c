import { Problem, respond } from '@/services/problem';
import { AgreementFile, Choices, ProposalDocument } from '@/model';

const schemas: Record<string, object> = {
  'proposal-document.json': ProposalDocument,
  'choices.json': Choices,
  'agreement.json': AgreementFile,
};

/**
 * The JSON Schemas of the open formats. They are public: there is nothing of anyone in them.
 * @throws Problem `no-such-schema`
 */
export const GET = (_: Request, { params }: { params: Promise<{ name: string }> }) =>
  respond(async () => {
    const { name } = await params;
    const schema = Object.hasOwn(schemas, name) ? schemas[name] : undefined;
    if (!schema)
      throw new Problem(
        'no-such-schema',
        `There is no such schema. There are: ${Object.keys(schemas).join(', ')}.`,
      );
    const text = JSON.stringify({ $schema: 'http://json-schema.org/draft-07/schema#', ...schema }, null, 2);
    return new Response(text, { headers: { 'content-type': 'application/schema+json' } });
  });
