-- How many may manage people: in use, with a password, and a role that has the right. One.
SELECT count(*)::integer AS count FROM account a JOIN role r ON r.id = a.role
WHERE a.disabled_at IS NULL AND a.password_hash IS NOT NULL AND (a.role = 'manager' OR r.rights ? 'people')
