import { table } from '@druckerei/core';
import { createDocument } from 'zod-openapi';
import {
  type Endpoint,
  type EndpointId,
  ENDPOINTS,
  EXAMPLES,
  JSON_LINES,
  MOST_ENTRIES,
  problemSchema,
} from '@druckerei/contract';

const binary = (media: string) => ({ content: { [media]: { schema: { type: 'string', format: 'binary' } } } });

/** The same body as lines, for a list that is long. */
const asLines = (list: string) => ({
  [JSON_LINES]: {
    schema: {
      type: 'string',
      description: `The first line is the body without “${list}”, each line behind it one of its entries, ${MOST_ENTRIES} at most. Whoever accepts ${JSON_LINES} is told on the way how far it is; the last line is the answer or the problem.`,
    },
  },
});

const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: problemSchema } },
});

function operation(endpoint: Endpoint): object {
  const { params, query, body, answer, media, takes, list } = endpoint;
  const known = EXAMPLES[endpoint.id as EndpointId];
  const example = known ? { example: known } : {};
  const success = answer ? { content: { 'application/json': { schema: answer } } } : media ? binary(media) : {};
  return {
    operationId: endpoint.id,
    summary: endpoint.summary,
    ...(params || query ? { requestParams: { ...(params ? { path: params } : {}), ...(query ? { query } : {}) } } : {}),
    ...(body
      ? {
          requestBody: {
            required: true,
            content: { 'application/json': { schema: body, ...example }, ...(list === undefined ? {} : asLines(list)) },
          },
        }
      : {}),
    ...(takes ? { requestBody: { required: true, ...binary(takes) } } : {}),
    ...(endpoint.right === 'public' ? { security: [] } : { description: `Right: ${endpoint.right}.` }),
    ...(endpoint.browser && endpoint.right !== 'public' ? { security: [{ session: [] }] } : {}),
    responses: {
      [endpoint.status]: { description: 'Done', ...success },
      '4XX': problem('The request cannot be carried out; the problem says why'),
    },
  };
}

/** The OpenAPI document of the whole server, generated from the contract. */
export function openApiDocument(): unknown {
  const paths = table<Record<string, object>>();
  for (const endpoint of ENDPOINTS) (paths[endpoint.path] ??= table())[endpoint.method] = operation(endpoint);
  return createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Druckerei',
      version: '0.1.0',
      description:
        'Plans print jobs. A program sends its token (Authorization: Bearer); whoever manages people makes them. From a browser, writes need the header X-XSRF-TOKEN with the value of the cookie XSRF-TOKEN.',
    },
    security: [{ session: [] }, { token: [] }],
    components: {
      securitySchemes: {
        session: { type: 'apiKey', in: 'cookie', name: 'druckerei.sid' },
        token: { type: 'http', scheme: 'bearer' },
      },
    },
    paths: paths,
  });
}
