import { useSession } from '~/stores/session'

/** Every page is for people who are signed in, but the sign-in and the page where a password is chosen. */
export default defineNuxtRouteMiddleware(async (to) => {
  if (to.path.startsWith('/welcome/')) return
  const session = useSession()
  if (!session.asked) await session.look()
  if (!session.person && to.path !== '/sign-in')
    return navigateTo({ path: '/sign-in', query: to.path === '/' ? {} : { to: to.path } })
  if (session.person && to.path === '/sign-in') return navigateTo('/')
})
