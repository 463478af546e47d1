/** Who a person is to a site. */
export const ROLES = ['foreman', 'crew', 'inspector', 'viewer'] as const;
export type Role = (typeof ROLES)[number];
