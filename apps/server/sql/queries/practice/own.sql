-- What somebody has reached in each kind of exercise. $1 account. Many.
SELECT kind, count(*)::int AS times, max(marks) AS best, iso(max(at)) AS last FROM practice_result
WHERE account_id = $1 GROUP BY kind ORDER BY kind
