-- Two administrators may edit the same person: an edit names the version that it was based on.
alter table account add column version bigint not null default 0;
