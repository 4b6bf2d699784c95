/** The HTTP application, without a port: `main.ts` listens, tests inject. */
import { randomUUID } from 'node:crypto';
import cookie from '@fastify/cookie';
import helmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import session from '@fastify/session';
import swagger from '@fastify/swagger';
import type { FastifyInstance } from 'fastify';
import fastify, { LogController } from 'fastify';
import { jsonSchemaTransform, serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod';
import type { Dependencies } from './dependencies.ts';
import { bleedingHandlers } from './features/bleeding/bleeding.routes.ts';
import { jobHandlers } from './features/jobs/job.routes.ts';
import { readingHandlers } from './features/readings/reading.routes.ts';
import { personHandlers } from './features/people/person.routes.ts';
import { sessionCookie, sessionHandlers } from './features/sessions/session.routes.ts';
import { personOfSession } from './features/sessions/session.service.ts';
import { limitsOf, sessionStore } from './features/sessions/sessionStore.ts';
import { setUpHandlers } from './features/set-up/setUp.routes.ts';
import { wrenchHandlers } from './features/wrenches/wrench.routes.ts';
import { shopHandlers } from './features/shop/shop.routes.ts';
import { fittingHandlers } from './features/fitting/fitting.routes.ts';
import { pullHandlers } from './features/torque/pulls.ts';
import { torqueHandlers } from './features/torque/torque.routes.ts';
import { cornerHandlers } from './features/corners/corner.routes.ts';
import { evidenceHandlers } from './features/evidence/evidence.routes.ts';
import { findingHandlers } from './features/findings/finding.routes.ts';
import { labelHandlers } from './features/labels/label.routes.ts';
import { supplierHandlers } from './features/supplier/supplier.routes.ts';
import { traceHandlers } from './features/traces/trace.routes.ts';
import { drawingHandlers } from './features/drawings/drawing.routes.ts';
import { orderHandlers } from './features/orders/order.routes.ts';
import { photoHandlers, takePictures } from './features/photos/photo.routes.ts';
import { vehicleEditHandlers } from './features/vehicles/vehicleEdit.routes.ts';
import { vehicleHandlers } from './features/vehicles/vehicle.routes.ts';
import { installAccess } from './http/access.ts';
import { installErrorHandling, sendProblem } from './http/errorHandler.ts';
import { watchRoom } from './database/room.ts';
import { followOutcome } from './database/outcome.ts';
import { registerHandlers } from './http/handlers.ts';
import { registerWebFiles } from './http/webFiles.ts';
import { speakPlainly } from './http/plainIssues.ts';

/** A document of a vehicle with every part it may have. */
const BODY_LIMIT_bytes = 1024 * 1024;
/** Of everybody behind one address: a whole shop may come through one proxy. */
const REQUESTS_PER_MINUTE = 6000;
/** Of one sign-in: far more than its pages ask for; nobody else is kept waiting by it. */
const REQUESTS_OF_ONE_PER_MINUTE = 1200;

/** Whatever stands still behind it, whoever asks is answered. */
const ANSWER_ms = 9_000;

export interface AppOptions {
  /** Where lines of JSON go; nowhere without. */
  readonly log?: { write(line: string): void };
  /** A line for each request and reply too, not only for what matters afterwards. */
  readonly logsRequests?: boolean;
}

export async function buildApp(
  dependencies: Dependencies,
  options: AppOptions = {},
): Promise<FastifyInstance> {
  speakPlainly();
  const { config } = dependencies;
  const app = fastify({
    logger: options.log ? { level: 'info', stream: options.log } : false,
    logController: new LogController({ disableRequestLogging: options.logsRequests !== true }),
    bodyLimit: BODY_LIMIT_bytes,
    trustProxy: config.trustProxy ?? false,
    genReqId: () => randomUUID(),
    handlerTimeout: ANSWER_ms,
  });
  app.addHook('onRequest', (_request, _reply, done) => followOutcome(done));
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
        baseUri: ["'none'"],
        frameAncestors: ["'none'"],
        // Served over plain HTTP on loopback; a reverse proxy adds TLS.
        upgradeInsecureRequests: null,
      },
    },
  });
  await app.register(rateLimit, {
    max: REQUESTS_PER_MINUTE,
    timeWindow: 60_000,
    // Files of the pages cost next to nothing, and without them nothing works.
    allowList: (request) => !request.url.startsWith('/api/'),
  });
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

  const limits = limitsOf(config);
  const { stopListening, ...pulls } = pullHandlers(dependencies);
  app.addHook('onClose', (_app, done) => {
    stopListening();
    done();
  });
  await app.register(async (scope) => {
    await scope.register(cookie);
    await scope.register(session, {
      secret: config.secret,
      cookieName: sessionCookie(config),
      saveUninitialized: false,
      rolling: false,
      store: sessionStore(dependencies.database.models, dependencies.clock, limits),
      // Strict same-site keeps other pages from acting in this person's name.
      cookie: {
        path: '/',
        httpOnly: true,
        sameSite: 'strict',
        secure: config.secureCookie,
        maxAge: limits.absolute_ms,
      },
    });
    const perSignIn = scope.createRateLimit({
      max: REQUESTS_OF_ONE_PER_MINUTE,
      timeWindow: 60_000,
      keyGenerator: ({ session: { sessionId } }) => `sign-in ${sessionId}`,
      allowList: [],
    });
    installAccess(
      scope,
      (personId) => personOfSession(dependencies, personId),
      async (request) => {
        const asked = await perSignIn(request);
        return !asked.isAllowed && asked.isExceeded;
      },
      dependencies.freeBytes
        ? watchRoom(dependencies.freeBytes, dependencies.clock)
        : () => Promise.resolve(false),
    );
    // What the book says is not left behind in a cache; a photograph says otherwise for itself.
    scope.addHook('onSend', (_request, reply, _payload, done) => {
      if (!reply.hasHeader('cache-control')) void reply.header('cache-control', 'no-store');
      done();
    });
    takePictures(scope);
    registerHandlers(scope, {
      ...sessionHandlers(dependencies),
      ...setUpHandlers(dependencies),
      ...personHandlers(dependencies),
      ...wrenchHandlers(dependencies),
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
      ...pulls,
      ...fittingHandlers(dependencies),
      ...bleedingHandlers(dependencies),
      ...supplierHandlers(dependencies),
      ...labelHandlers(dependencies),
      ...photoHandlers(dependencies),
      ...drawingHandlers(dependencies),
      ...orderHandlers(dependencies),
    });
    scope.get(
      '/api/openapi.json',
      { config: { access: 'read' }, schema: { hide: true } },
      (_request, reply) => reply.serializer(JSON.stringify).send(app.swagger()),
    );
  });
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
