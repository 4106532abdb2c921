import { FetchError, $fetch as fetchAny } from 'ofetch'

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
    return [0, 408, 429, 502, 503, 504].includes(this.status)
  }
}

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'

/** Asks the server. @throws ApiProblem */
export async function askServer<T>(method: Method, path: string, body?: object | File): Promise<T> {
  try {
    // A write says that it is JSON or a file's bytes, which no form of another page can (server/http/ownPage.ts).
    const type = body instanceof File ? 'application/octet-stream' : 'application/json'
    const headers: Record<string, string> = method === 'GET' ? {} : { 'content-type': type }
    return await fetchAny<T>(path, {
      method,
      body: body instanceof File ? body : body && JSON.stringify(body),
      headers,
      retry: 0,
    })
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
