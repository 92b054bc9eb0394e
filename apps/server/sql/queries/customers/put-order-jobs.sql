-- Puts jobs into an order. $1 order, $2 jobs as a JSON array. None.
INSERT INTO customer_order_job (order_id, job_id) SELECT $1, value::integer FROM jsonb_array_elements_text($2::jsonb)
