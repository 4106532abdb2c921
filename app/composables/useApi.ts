import { FetchError } from 'ofetch'

/** Why the server did not do something, in words for the person at the screen. */
export class ApiProblem extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly details: Record<string, unknown>,
  ) {
    super(message)
    this.name = 'ApiProblem'
  }

  /** True when trying again later may succeed without anything being changed. */
  get passing(): boolean {
    return this.status === 0 || this.status === 502 || this.status === 503 || this.status === 504
  }
}

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'

/** Asks the server. @throws ApiProblem */
export async function askServer<T>(method: Method, path: string, body?: object | File): Promise<T> {
  try {
    return await $fetch<T>(path, { method, body, retry: 0 })
  } catch (error) {
    throw toProblem(error)
  }
}

function toProblem(error: unknown): ApiProblem {
  if (!(error instanceof FetchError))
    return new ApiProblem(error instanceof Error ? error.message : String(error), 0, {})
  const answer = error.data as { message?: string; data?: Record<string, unknown> } | undefined
  const status = error.statusCode ?? 0
  const message =
    status === 0
      ? 'The server cannot be reached just now.'
      : status === 413
        ? 'The file is too large.'
        : (answer?.message ?? 'Something went wrong on the server.')
  return new ApiProblem(message, status, answer?.data ?? {})
}
