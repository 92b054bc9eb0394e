-- Whether anybody has an account. One.
SELECT EXISTS (SELECT 1 FROM account) AS anybody
