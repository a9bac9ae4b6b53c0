import { DOCUMENT_KINDS } from '@/core/words/en/document-kinds';
import { PROGRAM_SCOPES } from '@/data/schema';

const text = { type: 'string' } as const;
const uuid = { type: 'string', format: 'uuid' } as const;
const day = { type: 'string', format: 'date' } as const;
const nullable = (of: object) => ({ anyOf: [of, { type: 'null' }] });
const object = (properties: Record<string, object>) => ({
  type: 'object',
  properties,
  required: Object.keys(properties),
  additionalProperties: false,
});
const INSTRUMENT = {
  id: uuid,
  serial: text,
  tag: text,
  maker: text,
  model: text,
  customer: text,
  status: { type: 'string', enum: ['inUse', 'atService', 'outOfService', 'outside', 'retired'] },
  nextDue: nullable(day),
};
const PROBLEM = object({
  ok: { const: false },
  code: text,
  message: text,
  fields: { type: 'object', additionalProperties: text },
  status: { type: 'integer' },
});
const said = (description: string) => ({
  description,
  content: { 'application/json': { schema: { $ref: '#/components/schemas/Problem' } } },
});
const REFUSALS = {
  400: said('A parameter can’t be so.'),
  401: said('No token, or none that is known.'),
  403: said('The token does not read this.'),
  429: said('Too many requests.'),
};
const query = (name: string, schema: object, description: string) => ({
  name,
  in: 'query',
  required: false,
  schema,
  description,
});
const LIMIT = query('limit', { type: 'integer', minimum: 1, maximum: 200, default: 50 }, 'How many at most.');
const AFTER = query('after', text, 'The `next` of the page before.');
const SERIAL = query('serial', text, 'Of this serial alone; capitals do not matter.');
const list = (operationId: string, summary: string, item: string, parameters: object[]) => ({
  get: {
    operationId,
    summary,
    parameters: [...parameters, LIMIT, AFTER],
    responses: {
      200: {
        description: 'One page.',
        content: {
          'application/json': {
            schema: object({
              items: { type: 'array', items: { $ref: `#/components/schemas/${item}` } },
              next: nullable(text),
            }),
          },
        },
      },
      ...REFUSALS,
    },
  },
});
const bytes = (operationId: string, summary: string, type: string, schema: object) => ({
  get: {
    operationId,
    summary,
    parameters: [{ name: 'id', in: 'path', required: true, schema: uuid }],
    responses: {
      200: { description: 'As it was issued.', content: { [type]: { schema } } },
      ...REFUSALS,
      404: said('There is no such document.'),
    },
  },
});

/** What programs can ask the house for, as an OpenAPI 3.1 document. The tests compare what is answered with it. */
export const OPENAPI = {
  openapi: '3.1.0',
  info: {
    title: 'Werkbank, to read',
    version: '1.0.0',
    description: `Instruments, due dates and documents of a calibration workshop, to read. Each token has scopes: ${PROGRAM_SCOPES.join(', ')}. Days are of the workshop’s own time zone, instants are UTC (ISO 8601).`,
  },
  servers: [{ url: '/' }],
  security: [{ token: [] }],
  paths: {
    '/api/v1/instruments': list('instruments', 'Instruments, retired ones too.', 'Instrument', [SERIAL]),
    '/api/v1/due': list('due', 'What is due, by day.', 'Instrument', [
      query('from', day, 'From this day on.'),
      query('to', day, 'Up to and with this day.'),
    ]),
    '/api/v1/documents': list('documents', 'Documents in the order in which they were issued.', 'Document', [SERIAL]),
    '/api/v1/documents/{id}/pdf': bytes('documentPdf', 'A document as PDF.', 'application/pdf', {
      type: 'string',
      format: 'binary',
    }),
    '/api/v1/documents/{id}/json': bytes('documentJson', 'A document’s data, signed.', 'application/json', { type: 'object' }),
  },
  components: {
    securitySchemes: { token: { type: 'http', scheme: 'bearer' } },
    schemas: {
      Instrument: object(INSTRUMENT),
      Document: object({
        id: uuid,
        number: text,
        revision: { type: 'integer', minimum: 0 },
        kind: { type: 'string', enum: Object.keys(DOCUMENT_KINDS).map((code) => code.slice('kind.'.length)) },
        issuedAt: { type: 'string', format: 'date-time' },
        serial: text,
        customer: text,
        hash: { type: 'string', pattern: '^[0-9a-f]{64}$' },
        replaces: nullable(uuid),
        withdraws: nullable(uuid),
        pdf: text,
        json: text,
      }),
      Problem: PROBLEM,
    },
  },
} as const;
