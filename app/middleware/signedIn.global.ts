import { useSession } from '~/stores/session'

/** Every page is for people who are signed in, but those by which one comes in. */
export default defineNuxtRouteMiddleware(async (to) => {
  if (to.path.startsWith('/welcome/') || to.path === '/set-up') return
  const session = useSession()
  if (!session.asked) await session.look()
  if (!session.person && to.path !== '/sign-in')
    return navigateTo({ path: '/sign-in', query: to.path === '/' ? {} : { to: to.path } })
  if (session.person && to.path === '/sign-in') return navigateTo('/')
})
