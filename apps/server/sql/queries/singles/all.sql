-- The order book, books that are not checked first, each by its due date. Many.
SELECT s.code, s.version, s.body, s.state, a.name AS changed_by, s.changed_at
FROM single_book s
JOIN account a ON a.id = s.changed_by
ORDER BY s.state = 'checked', s.due, s.code
LIMIT 2000
