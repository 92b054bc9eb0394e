-- Everybody with an account, with their sessions, and programs with their tokens. Many.
SELECT a.id, a.login, a.name, a.role, r.name AS "roleName", a.disabled_at IS NOT NULL AS disabled,
  a.password_hash IS NULL AND NOT a.program AS invited,
  a.totp_secret IS NOT NULL AS "secondFactor", a.demo,
  count(s.sid)::integer AS sessions,
  iso(max(to_timestamp((s.sess ->> 'used')::double precision / 1000))) AS "lastSeen",
  CASE WHEN a.program THEN coalesce(
    (SELECT jsonb_build_object('holds', t.expires_at IS NULL OR t.expires_at > now(), 'until', iso(t.expires_at), 'used', iso(t.used_at))
     FROM program_token t WHERE t.account_id = a.id),
    jsonb_build_object('holds', false, 'until', NULL, 'used', NULL)) END AS program
FROM account a
JOIN role r ON r.id = a.role
LEFT JOIN session s ON (s.sess ->> 'accountId')::integer = a.id AND s.expire > now()
GROUP BY a.id, r.name
ORDER BY a.name, a.id
