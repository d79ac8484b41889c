import type { Role } from '@anvilstone/schema';

export const ROLE_WORDS: Record<Role, string> = {
  viewer: 'can read everything',
  engineer: 'can change parts, grades, bench and service',
  approver: 'can also sign decisions and change company rules',
  administrator: 'can also manage people, archives and backups',
};
