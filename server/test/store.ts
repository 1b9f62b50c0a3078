/** What the server's tests keep their data in: the embedded database, or one on a PostgreSQL server. */
import { randomUUID } from 'node:crypto'

/**
 * A database of its own on a PostgreSQL server, so that files of tests do not meet in one.
 * @param template the name of the one it is a copy of; an empty one otherwise
 */
export async function freshDatabase(
  server: string,
  template = 'template1',
): Promise<{ url: string; name: string; drop: () => Promise<void> }> {
  const { default: pg } = await import('pg')
  const name = `jade_${randomUUID().replaceAll('-', '')}`
  const asked = async (text: string): Promise<void> => {
    const client = new pg.Client({ connectionString: server })
    await client.connect()
    await client.query(text)
    await client.end()
  }
  await asked(`create database ${name} template ${template}`)
  return {
    name,
    url: Object.assign(new URL(server), { pathname: `/${name}` }).toString(),
    drop: () => asked(`drop database if exists ${name} with (force)`),
  }
}

/** `JADE_TEST_STORE=server`: every house of the tests stands on the PostgreSQL server that TEST_DATABASE_URL names. */
export const everyHouse = process.env['JADE_TEST_STORE'] === 'server' ? process.env['TEST_DATABASE_URL'] : undefined
/** The database with the demo's data, of which every such house is a copy. */
export const seededVariable = 'JADE_TEST_SEEDED'
