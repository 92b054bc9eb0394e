-- Sets the logo of the works. $1 data URL, $2 account. None.
INSERT INTO works_logo (logo, changed_by) VALUES ($1, $2)
ON CONFLICT (id) DO UPDATE SET logo = excluded.logo, changed_by = excluded.changed_by, changed_at = now()
