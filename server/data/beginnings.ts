import { useStorage } from 'nitropack/runtime'
import { z } from 'zod'
import type { Beginning } from '../../contracts/setUp'
import type { Folder } from '../../core/exchange/folder/folderReader'

/** Beginnings that ship with the server, each a folder of the files that docs/formats.md describes. */
const assets = 'assets:beginnings'
const offer = z.object({ title: z.string(), about: z.string() })

/** What a school can begin from. */
export async function loadBeginnings(): Promise<Beginning[]> {
  const storage = useStorage(assets)
  const names: string[] = await storage.getKeys()
  const keys = [...new Set(names.map((name) => name.split(':')[0] ?? ''))].sort().reverse()
  return Promise.all(keys.map(async (key) => ({ key, ...offer.parse(await storage.getItem(`${key}:beginning.json`)) })))
}

/** The files of a beginning; none where there is no such one. */
export async function loadBeginning(key: string): Promise<Folder> {
  const storage = useStorage(assets)
  const names: string[] = (await storage.getKeys()).filter((name: string) => name.startsWith(`${key}:`))
  const files = await Promise.all(
    names.map(async (name): Promise<[string, Uint8Array]> => {
      const raw: unknown = await storage.getItemRaw(name)
      return [name.slice(key.length + 1), bytesOf(raw)]
    }),
  )
  return new Map(files)
}

function bytesOf(raw: unknown): Uint8Array {
  if (raw instanceof Uint8Array) return raw
  return new TextEncoder().encode(typeof raw === 'string' ? raw : JSON.stringify(raw))
}
