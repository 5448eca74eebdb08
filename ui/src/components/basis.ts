import type { Rule } from '@/api/types'

/** Where a rule comes from, in words. */
export function basisText(rule: Rule): string {
  const basis = {
    PRACTICE: 'common practice',
    PHYSICS: 'physics',
    PUBLISHED: 'published',
    CONVENTION: 'our convention',
  }[rule.basis]
  return rule.fromMemory ? `${basis}, from memory †` : basis
}
