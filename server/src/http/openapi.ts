import { z } from 'zod';
import { version } from '../../package.json';
import { Change } from '@slate-path/core/changes/schema';
import { ProblemDocument } from './problem';
import type { Route } from './route';

type JsonSchema = Record<string, unknown>;

function jsonSchema(schema: z.ZodType, io: 'input' | 'output'): JsonSchema {
  const { $schema: _dialect, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  return rest;
}

function parametersOf({ params, query }: Route): JsonSchema[] {
  const listed = (schema: z.ZodType | undefined, place: 'path' | 'query') => {
    if (!schema) return [];
    const { properties = {}, required = [] } = jsonSchema(schema, 'input') as {
      properties?: Record<string, JsonSchema>;
      required?: string[];
    };
    return Object.entries(properties).map(([name, shape]) => {
      return { name, in: place, required: place === 'path' || required.includes(name), schema: shape };
    });
  };
  return [...listed(params, 'path'), ...listed(query, 'query')];
}

function bodyOf(route: Route): JsonSchema | undefined {
  const { name, body, fileUpTo } = route;
  if (fileUpTo) return { content: { 'application/octet-stream': {} }, required: true };
  if (!body) return undefined;
  const schema =
    name === 'sendChanges'
      ? {
          type: 'object',
          properties: { changes: { type: 'array', items: { $ref: '#/components/schemas/Change' } } },
        }
      : jsonSchema(body, 'input');
  return { content: { 'application/json': { schema } }, required: true };
}

/** What is answered, by its media types; of files no more is known. */
function contentOf(answer: z.ZodType, answersWith: readonly string[] | undefined): JsonSchema {
  if (!answersWith) return { 'application/json': { schema: jsonSchema(answer, 'output') } };
  return Object.fromEntries(answersWith.map((type) => [type.split(';')[0] ?? type, {}]));
}

function operationOf(route: Route): JsonSchema {
  const { summary, allow, answer, answersWith } = route;
  return {
    operationId: route.name,
    summary,
    security: allow === 'anyone' ? [] : [{ session: [] }],
    parameters: parametersOf(route),
    requestBody: bodyOf(route),
    responses: {
      200: { description: 'Done', content: contentOf(answer, answersWith) },
      default: {
        description: 'What happened, what was kept, and what to do',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

/** One OpenAPI 3.1 document of all routes and kinds of change, from their schemas. */
export function openApiDocument(routes: readonly Route[]): JsonSchema {
  const paths: Record<string, JsonSchema> = {};
  for (const route of routes) (paths[route.path] ??= {})[route.method] = operationOf(route);
  return {
    openapi: '3.1.0',
    info: { title: 'Slate Path', version, license: { name: 'MIT', identifier: 'MIT' } },
    paths,
    components: {
      schemas: { Change: jsonSchema(Change, 'input'), Problem: jsonSchema(ProblemDocument, 'output') },
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'slate_session' } },
    },
  };
}
