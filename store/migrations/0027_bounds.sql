-- No module is larger than 16 TiB, no machine larger than 64: what was let in before stays until somebody changes it.
alter table job_slot add constraint job_slot_module_is_bounded check (
  module is null or module ->> 'capacityMiB' is null
  or (module ->> 'capacityMiB')::numeric between 1 and 16777216
) not valid;

-- Statistics of a list that came in just now; whoever may write its rows may ask for them.
create function look_at_list_rows() returns void language plpgsql security definer set search_path = public, pg_temp as $$
begin
  analyze price_list_row;
end $$;

-- A capacity that can be summed; null for anything that is none.
create function bounded_mib(module jsonb) returns bigint immutable parallel safe language sql as $$
  select case when jsonb_typeof(module -> 'capacityMiB') = 'number'
      and (module ->> 'capacityMiB')::numeric between 1 and 16777216
    then (module ->> 'capacityMiB')::numeric::bigint end
$$;
