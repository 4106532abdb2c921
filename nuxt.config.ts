import { existsSync } from 'node:fs'
import tailwindcss from '@tailwindcss/vite'
import { apiRoutes } from './scripts/apiRoutes.mjs'

// Who builds without the packages of development, as a server does, has no linter to tell of what there is.
const linter = existsSync('node_modules/@nuxt/eslint') ? ['@nuxt/eslint'] : []

/** The web shell. Pages are drawn in the browser (see docs/decisions/0003-drawn-in-the-browser.md). */
export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  ssr: false,
  modules: ['@pinia/nuxt', 'nuxt-auth-utils', 'nuxt-security', ...linter],
  css: ['~/assets/facunda.css'],
  // Who is signed in is asked of our own route.
  auth: { loadStrategy: 'none' },
  devtools: { enabled: false },
  telemetry: false,
  app: {
    head: {
      title: 'Facunda',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
      // The policy lets no page make code of text. Zod would try whether it may, which a browser reports as a break of
      // it; told before anything of Zod runs (it keeps its settings there), it reads in its other way.
      script: [{ innerHTML: 'globalThis.__zod_globalConfig = { jitless: true }' }],
    },
  },
  // Nothing is inlined: the content security policy takes fonts from our own address alone.
  vite: { plugins: [tailwindcss()], worker: { format: 'es' }, build: { assetsInlineLimit: 0 } },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } },
  },
  nitro: {
    typescript: { strict: true },
    serverAssets: [{ baseName: 'beginnings', dir: '../beginnings' }],
    virtual: { '#api-routes': () => `export const apiRoutes = ${JSON.stringify(apiRoutes())}` },
    esbuild: { options: { target: 'es2022' } },
  },
  runtimeConfig: {
    databaseUrl: '',
    session: { maxAge: 60 * 60 * 12, password: '', cookie: { sameSite: 'strict', secure: false } },
  },
  security: {
    strict: false,
    rateLimiter: false,
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false,
    allowedMethodsRestricter: false,
    hidePoweredBy: true,
    nonce: true,
    sri: true,
    headers: {
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'base-uri': ["'none'"],
        'object-src': ["'none'"],
        'frame-ancestors': ["'none'"],
        'form-action': ["'self'"],
        'font-src': ["'self'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'connect-src': ["'self'"],
        'worker-src': ["'self'", 'blob:'],
        // Styles that change are set by scripts, which the policy lets them; none stands in a page's text.
        'style-src': ["'self'", "'nonce-{{nonce}}'"],
        // The grammar checker is WebAssembly, in a worker of its own.
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'wasm-unsafe-eval'"],
        'script-src-attr': ["'none'"],
        'upgrade-insecure-requests': false,
      },
      crossOriginEmbedderPolicy: false,
      strictTransportSecurity: false,
      referrerPolicy: 'no-referrer',
      xFrameOptions: 'DENY',
    },
  },
})
