-- Finished goods with what is called off them, transit days by destination, and the order book of single books.

CREATE TABLE finished_lot (
  id integer GENERATED ALWAYS AS IDENTITY,
  job_id integer NOT NULL,
  title text NOT NULL,
  customer text NOT NULL,
  pieces integer NOT NULL,
  place text NOT NULL,
  -- As the job was planned when the lot came in: grams of one, pieces of a full pallet.
  piece_g double precision NOT NULL,
  per_pallet double precision,
  received_by integer NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT finished_lot_pk PRIMARY KEY (id),
  CONSTRAINT finished_lot_job_fk FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT finished_lot_account_fk FOREIGN KEY (received_by) REFERENCES account (id),
  CONSTRAINT finished_lot_pieces_not_negative CHECK (pieces >= 0)
);

CREATE TABLE destination (
  name text NOT NULL,
  days integer NOT NULL,
  CONSTRAINT destination_pk PRIMARY KEY (name),
  CONSTRAINT destination_days_not_negative CHECK (days >= 0)
);

CREATE TABLE call_off (
  id integer GENERATED ALWAYS AS IDENTITY,
  lot_id integer NOT NULL,
  pieces integer NOT NULL,
  destination text NOT NULL,
  -- As it was when it was called: a road that takes longer later changes nothing here.
  transit_days integer NOT NULL,
  due date,
  called_by integer NOT NULL,
  called_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT call_off_pk PRIMARY KEY (id),
  CONSTRAINT call_off_lot_fk FOREIGN KEY (lot_id) REFERENCES finished_lot (id),
  CONSTRAINT call_off_destination_fk FOREIGN KEY (destination) REFERENCES destination (name),
  CONSTRAINT call_off_account_fk FOREIGN KEY (called_by) REFERENCES account (id),
  CONSTRAINT call_off_pieces_above_zero CHECK (pieces > 0)
);

CREATE TABLE single_book (
  code text NOT NULL,
  -- The order as core knows it (SingleOrder), its code apart.
  body jsonb NOT NULL,
  due date NOT NULL,
  state text NOT NULL DEFAULT 'open',
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT single_book_pk PRIMARY KEY (code),
  CONSTRAINT single_book_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);
