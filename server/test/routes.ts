/** What the server really answers to, read off its own router. */
import type { App } from '../house'

export interface Route {
  path: string
  methods: readonly string[]
}

/** Each line of the router's tree is a path below the one it is indented under, with its methods behind it. */
export function routesOf(app: App): Route[] {
  const above: string[] = []
  return app
    .printRoutes({ commonPrefix: false })
    .split('\n')
    .flatMap((line): Route[] => {
      const parts = /^((?:[│ ] {3})*)[├└]── (\S*)(?: \((.*)\))?$/u.exec(line)
      if (!parts) return []
      const [, indent = '', name = '', methods = ''] = parts
      const depth = indent.length / 4
      above.length = depth
      const path = `${above.join('')}${name}`
      above.push(name)
      return methods === '' ? [] : [{ path, methods: methods.split(', ') }]
    })
}
