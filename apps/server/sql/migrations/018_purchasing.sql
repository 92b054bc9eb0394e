-- Suppliers, orders to them and what comes of them; lots of whatever jobs need.

-- What a lot is of, where it is no paper: its kind, name and unit, as the needs of jobs call it.
ALTER TABLE holding ALTER COLUMN paper DROP NOT NULL, ADD COLUMN other jsonb;
ALTER TABLE holding ADD CONSTRAINT holding_of_one_thing CHECK ((paper IS NULL) <> (other IS NULL));

CREATE TABLE supplier (
  id integer GENERATED ALWAYS AS IDENTITY,
  name text NOT NULL,
  body jsonb NOT NULL,
  version integer NOT NULL DEFAULT 1,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT supplier_pk PRIMARY KEY (id),
  CONSTRAINT supplier_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);
CREATE UNIQUE INDEX supplier_name_unique ON supplier (lower(name));

CREATE TABLE purchase (
  id integer GENERATED ALWAYS AS IDENTITY,
  number text NOT NULL,
  supplier_id integer NOT NULL,
  -- When it is expected, a note, and its lines.
  body jsonb NOT NULL,
  state text NOT NULL DEFAULT 'draft',
  -- Why it ended before all had come.
  reason text,
  version integer NOT NULL DEFAULT 1,
  made_at timestamptz NOT NULL DEFAULT now(),
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT purchase_pk PRIMARY KEY (id),
  CONSTRAINT purchase_number_unique UNIQUE (number),
  CONSTRAINT purchase_state_known CHECK (state IN ('draft', 'sent', 'closed', 'withdrawn')),
  CONSTRAINT purchase_supplier_fk FOREIGN KEY (supplier_id) REFERENCES supplier (id),
  CONSTRAINT purchase_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);
CREATE INDEX purchase_supplier_ix ON purchase (supplier_id);
CREATE INDEX purchase_open_ix ON purchase (id) WHERE state = 'sent';

-- What has come: only ever added to.
CREATE TABLE purchase_receipt (
  id integer GENERATED ALWAYS AS IDENTITY,
  purchase_id integer NOT NULL,
  note text,
  -- Line of the order from 0, quantity, place.
  lines jsonb NOT NULL,
  received_by integer NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT purchase_receipt_pk PRIMARY KEY (id),
  CONSTRAINT purchase_receipt_purchase_fk FOREIGN KEY (purchase_id) REFERENCES purchase (id),
  CONSTRAINT purchase_receipt_account_fk FOREIGN KEY (received_by) REFERENCES account (id)
);
CREATE INDEX purchase_receipt_purchase_ix ON purchase_receipt (purchase_id, id);

-- What has come of each line of an order.
CREATE FUNCTION purchase_received(purchase integer) RETURNS TABLE (line integer, received double precision) LANGUAGE sql STABLE AS $$
  SELECT (l ->> 'line')::integer, sum((l ->> 'quantity')::double precision)
  FROM purchase_receipt r CROSS JOIN LATERAL jsonb_array_elements(r.lines) l
  WHERE r.purchase_id = purchase
  GROUP BY 1
$$;
