-- Terms that many licenses start from; each license keeps its own copy.
create table terms_set (
  id varchar(20) primary key,
  version bigint not null,
  name varchar(300) not null,
  terms json not null,
  deleted_at timestamp(6) with time zone
);
create index terms_set_name on terms_set (name, id);
-- What a document is to the license: the agreement itself, an invoice, an order, or a letter.
alter table agreement add column kind varchar(20) default 'AGREEMENT' not null;
-- Licenses are listed by their basis.
alter table license add column basis varchar(20) default 'CUSTOM' not null;
update license set basis = regexp_replace(cast(terms as varchar), '.*"basis":"([A-Z_]+)".*', '$1')
  where cast(terms as varchar) like '%"basis":"%';
create index license_basis on license (basis);
