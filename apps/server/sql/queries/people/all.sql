-- Everybody with an account, with their sessions. Many.
SELECT a.id, a.login, a.name, a.role, r.name AS "roleName", a.disabled_at IS NOT NULL AS disabled, a.password_hash IS NULL AS invited,
  a.totp_secret IS NOT NULL AS "secondFactor", a.demo,
  count(s.sid)::integer AS sessions,
  iso(max(to_timestamp((s.sess ->> 'used')::double precision / 1000))) AS "lastSeen"
FROM account a
JOIN role r ON r.id = a.role
LEFT JOIN session s ON (s.sess ->> 'accountId')::integer = a.id AND s.expire > now()
GROUP BY a.id, r.name
ORDER BY a.name, a.id
