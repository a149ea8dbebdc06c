/**
 * What is loaded with most views goes together: in one file of each kind it is a tenth smaller, as sent, than in many. Rolldown
 * alone makes a file of every set of modules that the same views use, some hundred at the first visit. The core stays apart, since
 * the worker fetches it too and has no page.
 */
export const sharedChunks = {
  groups: [
    {
      name: 'libraries',
      priority: 3,
      // Those of the first visit: without what comes with parts that only some views show.
      test: /\/node_modules\/(?!@primeuix\/styles\/dist\/(?:datepicker|autocomplete|dialog|chip)\/|@primevue\/icons\/(?:calendar|windowmaximize|windowminimize|timescircle)\/)(?:@?vue|@vue\/[\w-]+|vue-router|pinia|@primevue|@primeuix|@vueuse|tinykeys|nanoid|hookable|ufo|defu|unctx|ofetch|@?unhead|h3|destr|primevue\/(?:badge|base|button|config|iconfield|inputicon|inputtext|menu|overlayeventbus|portal|ripple|select|tooltip|virtualscroller))\//,
    },
    {
      name: 'core',
      priority: 2,
      test: /\/(?:core|shared)\/.*\.ts$|\/node_modules\/(?:zod|dequal)\//,
      minShareCount: 8,
    },
    { name: 'words', priority: 1, test: /\/app\/text\/(?!sayings)/, minShareCount: 6 },
  ],
}
