-- The account of a session. $1 id. One or none.
SELECT id, login, name, role, locale, (SELECT body ->> 'locale' FROM works) AS "worksLocale" FROM account WHERE id = $1
