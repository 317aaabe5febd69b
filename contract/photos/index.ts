import * as v from 'valibot'

/** A photograph's address: the SHA-256 of what it holds, as 64 small hexadecimal figures. */
export const PhotoParams = v.object({ hash: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)) })
