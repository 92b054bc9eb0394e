-- Adds an address that is told. $1 name, $2 address, $3 events, $4 secret, $5 paused. One.
INSERT INTO hook (name, url, events, secret, paused) VALUES ($1, $2, $3, $4, $5) RETURNING id
