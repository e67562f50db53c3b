-- Intakes are sorted by families and by what must be decided; what is held is known by its drawing, foundry and kind of type.
alter table intake_item add column foundry varchar(300) default '' not null;
alter table intake_item add column classification varchar(20) default '' not null;
alter table intake_item add column open_license varchar(80) default '' not null;
alter table intake_item add column code_points integer default 0 not null;
alter table intake_item add column font_version varchar(500) default '' not null;
alter table intake_item add column contradiction varchar(500) default '' not null;
alter table intake_item add column sketch varbinary(2048);
-- The held file whose drawing is nearest, as far as it is near at all, and how alike it is.
alter table intake_item add column near_file_id varchar(20);
alter table intake_item add column near_alike double precision default 0 not null;
-- Whether it takes the place of the version that is held.
alter table intake_item add column replaces boolean default false not null;

alter table family add column foundry varchar(300) default '' not null;
alter table family add column classification varchar(20) default '' not null;
create index family_foundry on family (foundry, name_key);

alter table face_file add column foundry varchar(300) default '' not null;
alter table face_file add column classification varchar(20) default '' not null;
alter table face_file add column sketch varbinary(2048);
-- The file that took its place: it is held no more, but kept.
alter table face_file add column superseded_by varchar(20);
create index face_file_superseded on face_file (superseded_by);
create index intake_item_file on intake_item (face_file_id);
