/** The fonts for names in other scripts are described after the page stands: their list alone is larger than a page. */
export default defineNuxtPlugin(() => {
  setTimeout(() => void import('~/assets/otherScripts.css'), 300)
})
