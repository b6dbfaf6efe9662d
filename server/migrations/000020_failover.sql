-- The numbers of an unlogged table's identity are unlogged as well, and a standby that is promoted does not have them: after a failover no
-- guarded row could be written. These come from a sequence that a standby has.
alter table unsealed alter column place drop identity;
create sequence unsealed_order as bigint;
alter table unsealed alter column place set default nextval('unsealed_order');
alter sequence unsealed_order owned by none;
