-- Whether demo accounts are loaded. One.
SELECT EXISTS (SELECT 1 FROM account WHERE demo) AS demo
