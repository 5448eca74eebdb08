import type { QuoteState } from '@/api/types'

/** What a quote asks for, under these headings. */
export const headings: Record<QuoteState['quote']['lines'][number]['heading'], string> = {
  POSTS: 'Posts and braces',
  WIRE: 'Wire and fittings',
  GATES: 'Gates',
  FEED: 'Energizer and ground',
  SIGNS: 'Signs',
  WORK: 'Building and testing',
  MACHINE: 'Machines',
  TRAVEL: 'Travel and freight',
  EXTRA: 'Extras',
}

/** Where a quote stands. */
export const statusWords: Record<QuoteState['status'], string> = {
  SENT: 'sent',
  ACCEPTED: 'accepted',
  DECLINED: 'declined',
  EXPIRED: 'expired',
  REPLACED: 'replaced by a later revision',
}
