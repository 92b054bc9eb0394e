-- The account of a sign-in name. $1 login. One or none.
SELECT id, login, name, role, locale, (SELECT body ->> 'locale' FROM works) AS "worksLocale", password_hash, demo FROM account WHERE login = $1
