-- Photographs of the book, each under the hash that its entry says.
CREATE TABLE book_photo (
  sha256 text NOT NULL,
  -- JPEG, base64.
  data text NOT NULL,
  CONSTRAINT book_photo_pk PRIMARY KEY (sha256),
  CONSTRAINT book_photo_is_itself CHECK (encode(sha256(decode(data, 'base64')), 'hex') = sha256)
);
