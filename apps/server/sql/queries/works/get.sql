-- The works without its norms. One or none.
SELECT body FROM works
