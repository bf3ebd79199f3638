-- The shop's own stock is called so among the sellers that a job leaves out.
update job set sellers_out = array_replace(sellers_out, 'our shelf', 'Stock') where 'our shelf' = any(sellers_out);
