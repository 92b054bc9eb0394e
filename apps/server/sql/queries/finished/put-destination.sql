-- Keeps the days that the road to a destination takes. $1 name, $2 days. None.
INSERT INTO destination (name, days) VALUES ($1, $2)
ON CONFLICT ON CONSTRAINT destination_pk DO UPDATE SET days = $2
