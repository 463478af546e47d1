import { ROLES, type Role } from '../../contract/index.ts';

/** One role of the four, a press each. */
export function RoleChips({
  value,
  onPick,
  disabled = false,
}: {
  value: Role;
  onPick: (role: Role) => void;
  disabled?: boolean;
}) {
  return (
    <div role="group" aria-label="Role" className="flex flex-wrap gap-2">
      {ROLES.map((role) => (
        <button
          key={role}
          type="button"
          className="chip"
          aria-pressed={role === value}
          disabled={disabled}
          onClick={() => {
            onPick(role);
          }}
        >
          {role}
        </button>
      ))}
    </div>
  );
}
