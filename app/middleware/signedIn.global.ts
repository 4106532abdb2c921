import { useSession } from '~/stores/session'

/** Every page but the sign-in is for people who are signed in. */
export default defineNuxtRouteMiddleware(async (to) => {
  const session = useSession()
  if (!session.asked) await session.look()
  if (!session.person && to.path !== '/sign-in')
    return navigateTo({ path: '/sign-in', query: to.path === '/' ? {} : { to: to.path } })
  if (session.person && to.path === '/sign-in') return navigateTo('/')
})
