-- How somebody signed in and out, newest first. $1 login. Many, 100 at most.
SELECT address, what, result, iso(at) AS at FROM security_record WHERE actor = $1 ORDER BY id DESC LIMIT 100
