-- Keeps a photograph. $1 SHA-256, $2 JPEG in base64. None.
INSERT INTO book_photo (sha256, data) VALUES ($1, $2) ON CONFLICT ON CONSTRAINT book_photo_pk DO NOTHING
