-- Notes that a request is under way, once for a key. $1 account, $2 key, $3 fingerprint. One, or none where the key is known.
INSERT INTO sent_request (account_id, key, fingerprint) VALUES ($1, $2, $3)
ON CONFLICT ON CONSTRAINT sent_request_pk DO NOTHING
RETURNING key
