import type { Role } from '@anvilstone/schema';

export const ROLE_WORDS: Record<Role, string> = {
  viewer: 'reads everything',
  engineer: 'changes parts, grades, bench and service',
  approver: 'also signs decisions and sets house rules',
  administrator: 'also looks after people, archives and backups',
};
