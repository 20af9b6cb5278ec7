import type { ServerOptions } from 'node:http';
import type { RequestHandler } from 'express';

/** How long the head of a request, and all of it, may take to come; routes take less for their bodies. */
export const HTTP_DEADLINES = {
  headersTimeout: 10_000,
  requestTimeout: 130_000,
  connectionsCheckingInterval: 2000,
} as const satisfies ServerOptions;

const LAST_BYTES_MS = 1000;

/** A request that was answered before all of it had come is not listened to any longer. */
export const endUnfinished: RequestHandler = (request, response, next) => {
  response.once('finish', () => {
    if (request.complete) return;
    setTimeout(() => request.complete || request.socket.destroy(), LAST_BYTES_MS).unref();
  });
  next();
};
