declare module '#api-routes' {
  /** Every route of the server, with parameters as ":name"; made when it is built. */
  export const apiRoutes: { path: string; method: string }[]
}
