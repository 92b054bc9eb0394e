-- What has come of each line of an order to a supplier. $1 id. Many.
SELECT line, received FROM purchase_received($1)
