import type { Router } from 'express';
import { recordRoutes, type RecordRoutes } from './records.js';

/** `/builds`: as any record, and each as a rig file and as an EPANET network. */
export const buildRoutes = (routes: RecordRoutes<'build'>): Router =>
  recordRoutes(routes, (router) => {
    const { store, work } = routes;
    router.get('/:id/rig.json', async (request, response) => {
      const { id, document } = await store.get(request.params.id);
      response.attachment(`${id}.json`).send(`${JSON.stringify(document, null, 2)}\n`);
    });
    router.get('/:id/network.inp', async (request, response) => {
      const { id, document } = await store.get(request.params.id);
      response
        .attachment(`${id}.inp`)
        .type('text/plain')
        .send(await work.run('inp', { document }));
    });
  });
