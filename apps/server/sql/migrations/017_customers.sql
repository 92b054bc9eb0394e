-- Customers, what they order at once, and what they are offered.

CREATE TABLE customer (
  id integer GENERATED ALWAYS AS IDENTITY,
  name text NOT NULL,
  body jsonb NOT NULL,
  version integer NOT NULL DEFAULT 1,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT customer_pk PRIMARY KEY (id),
  CONSTRAINT customer_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);
CREATE UNIQUE INDEX customer_name_unique ON customer (lower(name));

-- Whom the jobs name is a customer from the beginning, entered by whoever was first.
INSERT INTO customer (name, body, changed_by)
SELECT DISTINCT ON (lower(btrim(j.customer))) btrim(j.customer), jsonb_build_object('name', btrim(j.customer)), (SELECT min(id) FROM account)
FROM job j WHERE btrim(coalesce(j.customer, '')) <> ''
ORDER BY lower(btrim(j.customer)), j.id;

CREATE INDEX job_customer_ix ON job (customer, changed_at DESC);

CREATE TABLE customer_order (
  id integer GENERATED ALWAYS AS IDENTITY,
  number text NOT NULL,
  customer_id integer NOT NULL,
  body jsonb NOT NULL,
  version integer NOT NULL DEFAULT 1,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT customer_order_pk PRIMARY KEY (id),
  CONSTRAINT customer_order_number_unique UNIQUE (number),
  CONSTRAINT customer_order_customer_fk FOREIGN KEY (customer_id) REFERENCES customer (id),
  CONSTRAINT customer_order_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);
CREATE INDEX customer_order_customer_ix ON customer_order (customer_id, id DESC);

-- A job is of one order at most.
CREATE TABLE customer_order_job (
  order_id integer NOT NULL,
  job_id integer NOT NULL,
  CONSTRAINT customer_order_job_pk PRIMARY KEY (job_id),
  CONSTRAINT customer_order_job_order_fk FOREIGN KEY (order_id) REFERENCES customer_order (id),
  CONSTRAINT customer_order_job_job_fk FOREIGN KEY (job_id) REFERENCES job (id)
);
CREATE INDEX customer_order_job_order_ix ON customer_order_job (order_id);

-- An offer stays as it was sent; only what became of it is said later.
CREATE TABLE offer (
  id integer GENERATED ALWAYS AS IDENTITY,
  number text NOT NULL,
  -- Margin, until when, lines with cost and price, and the works as it named itself then.
  body jsonb NOT NULL,
  -- The job of each line, as it was costed.
  jobs jsonb NOT NULL,
  state text NOT NULL DEFAULT 'open',
  job_id integer,
  version integer NOT NULL DEFAULT 1,
  made_by integer NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT offer_pk PRIMARY KEY (id),
  CONSTRAINT offer_number_unique UNIQUE (number),
  CONSTRAINT offer_state_known CHECK (state IN ('open', 'taken', 'declined')),
  CONSTRAINT offer_taken_has_job CHECK ((state = 'taken') = (job_id IS NOT NULL)),
  CONSTRAINT offer_job_fk FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT offer_account_fk FOREIGN KEY (made_by) REFERENCES account (id)
);

-- Records of the press room that have not been taken back, as core's roomState counts them.
CREATE FUNCTION standing_records() RETURNS SETOF press_room_record LANGUAGE sql STABLE AS $$
  SELECT r.* FROM press_room_record r
  WHERE r.event ->> 'kind' <> 'take-back' AND NOT EXISTS (
    SELECT 1 FROM press_room_record back
    WHERE back.job_id = r.job_id AND back.event ->> 'kind' = 'take-back' AND (back.event ->> 'record')::integer = r.id
  )
$$;
