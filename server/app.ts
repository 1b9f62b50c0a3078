/** The server: its doors and its manners. Rules of the trade are in core; what is stored is in db. */
import { firstOf } from '../core/sure'
import { randomUUID } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { wantedOf } from '../core/run/wanted'
import type { Server } from 'node:http'
import { existsSync } from 'node:fs'
import { constants } from 'node:zlib'
import fastifyCompress from '@fastify/compress'
import fastifyCookie from '@fastify/cookie'
import fastifyHelmet from '@fastify/helmet'
import fastifyStatic from '@fastify/static'
import fastifySwagger from '@fastify/swagger'
import fastifyWebsocket from '@fastify/websocket'
import Fastify, { type FastifyError, type FastifyRequest } from 'fastify'
import {
  hasZodFastifySchemaValidationErrors,
  jsonSchemaTransform,
  validatorCompiler,
  type ZodTypeProvider,
} from 'fastify-type-provider-zod'
import { RequestError } from '../core/plan/team'
import { throatPack } from '../core/vocabulary'
import { answers, problemBeside } from './answers'
import type { Copies } from './backup/copies'
import { Attempts } from './attempts'
import { Connections } from './connections'
import { auditChanges } from './audit'
import { guardDoors } from './doors'
import { Plans } from './plans'
import type { OpenDatabase } from './db/open'
import type { App, House } from './house'
import { CodesShown } from './codes-shown'
import { Heard } from './heard'
import { Hub } from './live/hub'
import { tellLate } from './told-late'
import { Presence } from './live/presence'
import { healthView } from '../wire/live'
import { problems } from '../wire/problems'
import { isAway } from './db/away'
import { inUnits } from './db/unit'
import { logger, type LogTo } from './log'
import { isOurs, ownNames, proxiesOf, sameOrigin } from './network'
import { Problem, sendProblem } from './problem'
import { rooms } from './routes'
import { dayTopic, personTopic, visitTopic } from './live/topics'
import { Runs } from './runs'

export interface AppOptions {
  database: OpenDatabase
  /** The built interface; without it only the API is served. */
  webFolder?: string
  now?: () => number
  /** Whether what goes wrong is logged, and where to. */
  log?: boolean | LogTo
  /** Codes shown on the sign-in page; only ever set for the demo. */
  shownCodes?: Record<string, string>
  /** Lets time pass; only ever set for a demo that a test has started. */
  moveClock?: (byMs: number) => void
  /** How fast `now` runs against the wall, told to the screens; 1 but for rehearsal. */
  pace?: number
  /** Names this server is reached by, beside its addresses and the machine’s own, parted by commas. */
  hosts?: string
  /** Addresses of the practice's own proxy, parted by commas: what it says of whom it asks for, and how, is believed. */
  proxy?: string
  /** Where copies of the practice are kept, and what encrypts them. */
  copies?: Copies
  /** Whether every answer and live message is held against what the wire says of it; in tests. */
  checkAnswers?: boolean
}

const bodyLimitBytes = 256 * 1024
/** A request that is not whole by then is cut: whoever sends a letter a minute holds nothing up. */
const requestWithinMs = 30_000
const mostConnections = 2_000
/** Of one address, over which nobody signed in has asked: a browser opens six. */
const mostUnknown = 100

function onError(app: App): void {
  app.setErrorHandler((error: FastifyError | Problem | RequestError, request, reply) => {
    if (error instanceof Problem) return sendProblem(reply, error.slug, error.message, error.more)
    if (error instanceof RequestError)
      return sendProblem(reply, 'invalid', error.message, {
        errors: [{ path: error.path.join('.'), message: error.message }],
      })
    if (hasZodFastifySchemaValidationErrors(error)) {
      const errors = error.validation.map((v) => ({
        path: v.instancePath.replace(/^\//, '').replaceAll('/', '.'),
        message: v.message ?? 'not valid',
      }))
      return sendProblem(reply, 'invalid', errors.map((e) => `${e.path || 'body'}: ${e.message}`).join('; '), {
        errors,
      })
    }
    if (error.statusCode === 413)
      return sendProblem(
        reply,
        'too-large',
        `This request may hold ${(request.routeOptions.bodyLimit ?? bodyLimitBytes) / 1024} kB; nothing was stored.`,
      )
    if (error.statusCode && error.statusCode < 500)
      return sendProblem(reply, 'bad-request', error.message, {}, error.statusCode)
    if (isAway(error)) return sendProblem(reply, 'away', problems.away.words)
    request.log.error({ err: error, req: request }, 'A door failed; nothing was stored.')
    return sendProblem(reply, 'internal', 'Something went wrong on the server; nothing was stored.')
  })
}

/** The manners of every answer: headers, cookies, sockets, and the document of the doors. */
async function manners(app: App, checkAnswers: boolean): Promise<void> {
  app.setValidatorCompiler(validatorCompiler)
  app.setSerializerCompiler(answers(checkAnswers))
  app.addHook('onRoute', problemBeside)
  onError(app)
  await app.register(fastifyHelmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        connectSrc: ["'self'", 'ws:', 'wss:'],
        upgradeInsecureRequests: null,
      },
    },
    // The clinic's network may well be plain http: do not promise TLS the practice has not set up.
    strictTransportSecurity: false,
    crossOriginOpenerPolicy: false,
    originAgentCluster: false,
  })
  await app.register(fastifyCookie)
  // Answers alone: a body that comes packed is not unpacked here, however small it says it is.
  await app.register(fastifyCompress, {
    globalDecompression: false,
    threshold: 1_024,
    encodings: ['br', 'gzip'],
    brotliOptions: { params: { [constants.BROTLI_PARAM_QUALITY]: 4 } },
  })
  await app.register(fastifyWebsocket, { options: { maxPayload: 4096 } })
  await app.register(fastifySwagger, {
    openapi: {
      info: {
        title: 'Jade Tray',
        version: '0.1.0',
        description:
          'Plans, trays, runs and records of preparation visits. Live messages come over a web socket at /api/live?visit=…; errors are application/problem+json.',
      },
    },
    transform: jsonSchemaTransform,
  })
}

/** What all rooms share, around one open database. */
function houseOf(
  {
    database,
    now = Date.now,
    shownCodes = {},
    pace = 1,
    checkAnswers = false,
    moveClock,
    copies = { folder: '.data/copies' },
    proxy,
  }: AppOptions,
  server: Server,
): House {
  const hub = new Hub(checkAnswers)
  return {
    database: { ...database, db: inUnits(database.db) },
    hub,
    runs: new Runs(
      database.db,
      (visitId, events, plan, { before, after }) => {
        hub.send(visitTopic(visitId), { event: 'run', data: { visitId, events } })
        // The visit's own stage changes only when it begins and when it closes; and a throat pack is told to every screen of it.
        if (
          events.some(
            (e) =>
              e.what.kind === 'run.started' ||
              e.what.kind === 'run.closed' ||
              e.what.kind === 'undone' ||
              e.what.kind === 'matter.answered' ||
              (e.what.kind === 'count.moved' && e.what.countId === throatPack),
          )
        )
          hub.send(visitTopic(visitId), { event: 'visit', data: { visitId } })
        hub.send(dayTopic, { event: 'day', data: { visitId } })
        // Whom something else waits for than before is told, wherever they look.
        for (const { id } of plan.people)
          if (!isDeepStrictEqual(wantedOf(plan, before, id), wantedOf(plan, after, id)))
            hub.send(personTopic(id), { event: 'needed', data: { visitId } })
      },
      now,
    ),
    attempts: new Attempts(),
    copies,
    plans: new Plans(),
    presence: new Presence(),
    heard: new Heard(),
    codesShown: new CodesShown(),
    connections: new Connections(server, {
      all: mostConnections,
      ofAddress: mostUnknown,
      isProxy: proxiesOf(proxy),
    }),
    now,
    boot: randomUUID(),
    pace,
    shownCodes,
    ...(moveClock ? { moveClock } : {}),
  }
}

/** The built interface: its files for ever, its page for every address a browser goes to. */
async function pages(app: App, webFolder: string | undefined): Promise<void> {
  if (webFolder && existsSync(webFolder)) {
    await app.register(fastifyStatic, {
      root: webFolder,
      setHeaders: (reply, path) =>
        void reply.header(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        ),
    })
  }
  app.setNotFoundHandler((request, reply) => {
    if (webFolder && existsSync(webFolder)) return reply.sendFile('index.html')
    throw nothingAt(request)
  })
}

/** A browser that goes to a page asks for one; a missing picture or script stays missing, whatever dots a page's path has. */
const asksForPage = ({ method, url, headers }: FastifyRequest): boolean =>
  method === 'GET' &&
  !url.startsWith('/api/') &&
  (headers.accept?.includes('text/html') || !/\.[a-z0-9]+$/i.test(firstOf(url.split('?'))))
const nothingAt = ({ method, url }: FastifyRequest): Problem =>
  new Problem('not-found', `There is nothing at ${method} ${url.split('?')[0]}.`)

/** Builds the server around an open database. */
export async function buildApp(options: AppOptions): Promise<App> {
  // Zod's own types in every route; what Fastify infers here beside them names the very same object.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  const app = Fastify({
    logger: options.log ? logger(options.log === true ? undefined : options.log) : false,
    bodyLimit: bodyLimitBytes,
    ...(options.proxy ? { trustProxy: proxiesOf(options.proxy) } : {}),
    forceCloseConnections: true,
    // What the framework refuses before any door is looked for: an address that cannot be read, or is too long.
    frameworkErrors: (error, _request, reply) =>
      void sendProblem(reply, 'bad-request', 'This address cannot be read.', {}, error.statusCode ?? 400),
    requestTimeout: requestWithinMs,
    // Slow headers are looked for as often as this.
    http: { headersTimeout: requestWithinMs, connectionsCheckingInterval: 5_000 },
  }).withTypeProvider<ZodTypeProvider>() as unknown as App
  await manners(app, options.checkAnswers ?? false)
  const house = houseOf(options, app.server)
  const proxied = Boolean(options.proxy)
  const names = ownNames(options.hosts)
  app.addHook('onRequest', async (request, reply) => {
    // Whatever the doors answer may show a patient: no browser and no proxy keeps it.
    if (request.url.startsWith('/api')) reply.header('cache-control', 'no-store')
    if (!isOurs(request.host, names))
      throw new Problem('foreign-host', `This server does not answer to "${request.host}". JADE_HOSTS adds names.`)
    // What leads nowhere is refused before its body is read; only a page may be asked for at any address.
    if (request.is404 && !asksForPage(request)) throw nothingAt(request)
    const changes = request.method !== 'GET' && request.method !== 'HEAD'
    if (
      (changes || request.headers.upgrade) &&
      !sameOrigin(request.headers.origin, request.host, proxied ? request.protocol : undefined)
    )
      throw new Problem('foreign-origin', 'This request came from another site.')
  })
  auditChanges(app, house, options.database.db)
  app.addHook('onReady', () => tellLate(house))
  app.addHook('preClose', () => house.hub.close())
  await app.register(
    async (api) => {
      guardDoors(api, house)
      api.get(
        '/health',
        { schema: { summary: 'Whether the server answers, and its clock', response: { 200: healthView } } },
        async () => ({
          ok: true as const,
          now: house.now(),
          boot: house.boot,
        }),
      )
      api.get('/openapi.json', { schema: { hide: true } }, async () => app.swagger())
      for (const room of rooms) await api.register(room(house))
    },
    { prefix: '/api' },
  )
  await pages(app, options.webFolder)
  return app
}
