import { useQuery } from '@tanstack/react-query'

/** What the families lend: fetched with the code, and only where a unit is taught. */
export const familiesQuery = {
  queryKey: ['families'],
  queryFn: async () => (await import('@ekrond/core/families/templates')).templates,
  staleTime: Infinity,
  gcTime: Infinity,
}

/** The families' templates once they are here; undefined before, or where nobody needs them. */
export const useFamilies = (wanted: boolean) => useQuery({ ...familiesQuery, enabled: wanted }).data
