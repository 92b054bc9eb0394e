-- The account of a session, where it may be used. $1 id. One or none.
SELECT a.id, a.login, a.name, a.role, r.name AS "roleName", r.rights, r.stations, a.locale, a.totp_secret IS NOT NULL AS "secondFactor", a.program,
  w.body ->> 'locale' AS "worksLocale", w.body ->> 'measures' AS "worksMeasures", coalesce(w.body ->> 'secondFactor', 'nobody') AS "wantsSecondFactor"
FROM account a JOIN role r ON r.id = a.role LEFT JOIN works w ON true
WHERE a.id = $1 AND a.disabled_at IS NULL
