export type * from '@/api/types/business';
export type * from '@/api/types/page';
export type * from '@/api/types/people';
export type * from '@/api/types/emails';
export type * from '@/api/types/deadlines';
export type * from '@/api/types/funnel';
export type * from '@/api/types/sales';
export type * from '@/api/types/popups';
