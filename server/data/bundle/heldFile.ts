import { mkdtemp, open, rm, type FileHandle } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const pieceSize = 256 * 1024

/**
 * Bytes that wait for their turn on the disk, in a file without a name: nobody else can open it, and nothing of it
 * stays behind, however the program ends.
 */
export class HeldFile {
  private file: FileHandle | null = null
  private length = 0

  async write(chunk: Uint8Array): Promise<void> {
    this.file ??= await nameless()
    await this.file.appendFile(chunk)
    this.length += chunk.length
  }

  get bytes(): number {
    return this.length
  }

  /** All of it, piece by piece; as often as it is asked for. A piece is overwritten by the next. */
  async *pieces(): AsyncGenerator<Buffer> {
    const piece = Buffer.allocUnsafe(pieceSize)
    for (let at = 0; at < this.length && this.file;) {
      const { bytesRead } = await this.file.read(piece, 0, pieceSize, at)
      at += bytesRead
      yield piece.subarray(0, bytesRead)
    }
  }

  async letGo(): Promise<void> {
    await this.file?.close()
    ;[this.file, this.length] = [null, 0]
  }
}

async function nameless(): Promise<FileHandle> {
  const folder = await mkdtemp(join(tmpdir(), 'facunda-held-'))
  try {
    return await open(join(folder, 'held'), 'wx+', 0o600)
  } finally {
    await rm(folder, { recursive: true })
  }
}
