import { takeOwnApp } from '../ownApp'

takeOwnApp(Number(process.env.VITEST_POOL_ID ?? 1) - 1)
