-- More of everything, made of what the demo has: a works of 200 machines, 5,000 papers, 2,000 customers, 50 people.
INSERT INTO works_item (kind, id, body)
SELECT 'machine', 'bench-' || n, m.body || jsonb_build_object('id', 'bench-' || n, 'name', 'Bench press ' || n)
FROM generate_series(1, 170) n, (SELECT body FROM works_item WHERE kind = 'machine' AND id = 'b2-four') m;
INSERT INTO works_item (kind, id, body)
SELECT 'stock', 'bench-' || n, s.body || jsonb_build_object('id', 'bench-' || n, 'name', 'Bench paper ' || n)
FROM generate_series(1, 4950) n, (SELECT body FROM works_item WHERE kind = 'stock' AND id = 'silk-115') s;
INSERT INTO norm (id, value) SELECT 'price.stock.bench-' || n, 1 + n / 1000.0 FROM generate_series(1, 4950) n;
INSERT INTO norm_change (norm, value_before, value_after, reason, changed_by)
SELECT 'price.stock.bench-' || n, 1, 1 + n / 1000.0, 'price list', 1 FROM generate_series(1, 4950) n;
INSERT INTO customer (name, body, changed_by)
SELECT 'Bench customer ' || n, jsonb_build_object('name', 'Bench customer ' || n, 'reference', 'C' || n), 1 FROM generate_series(1, 1992) n;
INSERT INTO account (login, name, role, password_hash) SELECT 'bench-' || n, 'Bench ' || n, 'viewer', 'none' FROM generate_series(1, 47) n;
UPDATE works SET answered = NULL;
