import type { Express } from 'express';
import request from 'supertest';

/** Asks an application as its own pages do: what changes anything is JSON. For tests. */
export const ask = (app: Express) => request.agent(app).set('Content-Type', 'application/json');
