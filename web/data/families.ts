import { useQuery } from '@tanstack/react-query'

/** What the families lend: fetched with the code, in a quiet moment, so that a unit can be taught while the server is away. */
export const fetchFamilies = async () => (await import('@ekrond/core/unit/families/templates')).templates

/** The families' templates once they are here; undefined before, or where nobody needs them. */
export const useFamilies = (wanted: boolean) =>
  useQuery({
    queryKey: ['families'],
    queryFn: fetchFamilies,
    staleTime: Infinity,
    gcTime: Infinity,
    enabled: wanted,
    networkMode: 'always',
  }).data
