-- Adds a record. $1 job, $2 event, $3 key and $4 description of the carrier that it is about (or null), $5 account. One.
INSERT INTO press_room_record (job_id, event, carrier_key, carrier, entered_by) VALUES ($1, $2, $3, $4, $5) RETURNING id
