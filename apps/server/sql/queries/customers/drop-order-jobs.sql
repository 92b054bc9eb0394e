-- Takes the jobs of an order out of it. $1 order. None.
DELETE FROM customer_order_job WHERE order_id = $1
