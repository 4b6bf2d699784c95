/** The HTTP application, without a port: `main.ts` listens, tests inject. */
import { randomUUID } from 'node:crypto';
import cookie from '@fastify/cookie';
import helmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import swagger from '@fastify/swagger';
import type { FastifyInstance } from 'fastify';
import fastify from 'fastify';
import { jsonSchemaTransform, serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod';
import type { Dependencies } from './dependencies.ts';
import { bleedingHandlers } from './features/bleeding/bleeding.routes.ts';
import { jobHandlers } from './features/jobs/job.routes.ts';
import { readingHandlers } from './features/readings/reading.routes.ts';
import { sessionHandlers } from './features/sessions/session.routes.ts';
import { shopHandlers } from './features/shop/shop.routes.ts';
import { torqueHandlers } from './features/torque/torque.routes.ts';
import { cornerHandlers } from './features/corners/corner.routes.ts';
import { evidenceHandlers } from './features/evidence/evidence.routes.ts';
import { findingHandlers } from './features/findings/finding.routes.ts';
import { labelHandlers, registerLabelRoutes } from './features/labels/label.routes.ts';
import { supplierHandlers } from './features/supplier/supplier.routes.ts';
import { traceHandlers } from './features/traces/trace.routes.ts';
import { registerDrawingRoutes } from './features/drawings/drawing.routes.ts';
import { registerOrderRoutes } from './features/orders/order.routes.ts';
import { registerPhotoRoutes } from './features/photos/photo.routes.ts';
import { vehicleEditHandlers } from './features/vehicles/vehicleEdit.routes.ts';
import { vehicleHandlers } from './features/vehicles/vehicle.routes.ts';
import { installErrorHandling, sendProblem } from './http/errorHandler.ts';
import { registerHandlers } from './http/handlers.ts';
import { registerWebFiles } from './http/webFiles.ts';
import { speakPlainly } from './http/plainIssues.ts';

/** A document of a vehicle with every part it may have. */
const BODY_LIMIT_bytes = 1024 * 1024;
const REQUESTS_PER_MINUTE = 1200;

export interface AppOptions {
  readonly logger?: boolean;
}

export async function buildApp(
  dependencies: Dependencies,
  options: AppOptions = {},
): Promise<FastifyInstance> {
  speakPlainly();
  const { config } = dependencies;
  const app = fastify({
    logger: options.logger ?? false,
    bodyLimit: BODY_LIMIT_bytes,
    genReqId: () => randomUUID(),
  });
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  installErrorHandling(app);

  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        // styled-components writes its rules into the page.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        // Served over plain HTTP on loopback; a reverse proxy adds TLS.
        upgradeInsecureRequests: null,
      },
    },
  });
  await app.register(cookie, { secret: config.secret });
  await app.register(rateLimit, { max: REQUESTS_PER_MINUTE, timeWindow: 60_000 });
  await app.register(swagger, {
    openapi: {
      info: {
        title: 'Zephyrcombe',
        version: '0.1.0',
        description: 'Brake hose jobs, from the first look to the service record.',
      },
    },
    transform: jsonSchemaTransform,
  });

  await app.register((scope, _options, done) => {
    registerHandlers(
      scope,
      {
        ...sessionHandlers(dependencies),
        ...shopHandlers(dependencies),
        ...vehicleHandlers(dependencies),
        ...vehicleEditHandlers(dependencies),
        ...cornerHandlers(dependencies),
        ...findingHandlers(dependencies),
        ...evidenceHandlers(dependencies),
        ...jobHandlers(dependencies),
        ...readingHandlers(dependencies),
        ...traceHandlers(dependencies),
        ...torqueHandlers(dependencies),
        ...bleedingHandlers(dependencies),
        ...supplierHandlers(dependencies),
        ...labelHandlers(dependencies),
      },
      config.signInTriesPerMinute,
    );
    registerPhotoRoutes(scope, dependencies);
    registerDrawingRoutes(scope, dependencies);
    registerOrderRoutes(scope, dependencies);
    registerLabelRoutes(scope, dependencies);
    done();
  });
  app.get('/api/openapi.json', { schema: { hide: true } }, (_request, reply) =>
    reply.serializer(JSON.stringify).send(app.swagger()),
  );

  if (config.webFolder !== null) await registerWebFiles(app, config.webFolder);
  app.setNotFoundHandler((request, reply) => {
    const page =
      request.method === 'GET' &&
      !request.url.startsWith('/api/') &&
      !/\.\w+$/.test(request.url.split('?')[0] ?? '');
    // Deep links are the web application's own addresses.
    if (page && config.webFolder !== null)
      return reply.header('cache-control', 'no-cache').sendFile('index.html');
    return sendProblem(request, reply, 'not-found');
  });
  return app;
}
