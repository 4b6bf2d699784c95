/** The built pages and their files, sent in the smallest form that the browser takes: compressed when they were built. */
import serveStatic from '@fastify/static';
import type { FastifyInstance } from 'fastify';

export async function registerWebFiles(app: FastifyInstance, folder: string): Promise<void> {
  await app.register(serveStatic, {
    root: folder,
    cacheControl: false,
    // Beside each file lie its brotli and gzip forms (bin/compress.mjs).
    preCompressed: true,
    // Files under assets/ carry a hash of their content in their names; everything else may change.
    setHeaders: (reply, path) => {
      void reply.setHeader(
        'cache-control',
        path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
      );
      void reply.setHeader('vary', 'accept-encoding');
    },
  });
}
