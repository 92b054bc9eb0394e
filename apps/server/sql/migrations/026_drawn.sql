-- Stores that follow the book: what jobs have drawn from the stock, and finished goods out of what was counted.

-- Of jobs whose book was begun before, the stores are kept by hand, as they were.
-- The line of the list is made anew with a body that is text: one that is parsed keeps PostgreSQL (since 15.19) from giving the table this column.
DROP FUNCTION list_line(job);
ALTER TABLE job ADD COLUMN stores_follow boolean NOT NULL DEFAULT true;
CREATE FUNCTION list_line(j job) RETURNS text LANGUAGE sql STABLE AS $$
SELECT json_build_object(
  'id', j.id, 'number', j.number, 'title', j.title, 'customer', j.customer, 'family', j.family, 'due', j.due, 'quantity', j.quantity,
  'status', CASE WHEN j.aside THEN 'aside' WHEN j.state = 'released' THEN 'released' WHEN j.revision > 1 THEN 'changed' ELSE 'draft' END,
  'revision', j.revision, 'changedAt', iso(j.changed_at), 'changedBy', (SELECT name FROM account WHERE id = j.changed_by)
)::text
$$;
UPDATE job SET stores_follow = false WHERE EXISTS (SELECT 1 FROM book_entry e WHERE e.job_id = job.id);

CREATE TABLE store_drawn (
  job_id integer NOT NULL,
  -- The use, and what the store knows by the plan of its time: a later revision may take another paper for the same.
  of text NOT NULL,
  key text NOT NULL,
  -- Taken out of lots, in the store's unit, and what of it the job had reserved.
  quantity double precision NOT NULL,
  of_reserved double precision NOT NULL,
  CONSTRAINT store_drawn_pk PRIMARY KEY (job_id, of, key),
  CONSTRAINT store_drawn_job_fk FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT store_drawn_quantity_not_negative CHECK (quantity >= 0 AND of_reserved >= 0)
);

-- Lots that came in by what was counted at the last station, apart from what somebody took in by hand.
ALTER TABLE finished_lot ADD COLUMN by_book boolean NOT NULL DEFAULT false;
