-- Drawing digests are computed another way since; those of an older version are computed anew at the next start.
alter table face_file add column drawing_version integer default 1 not null;
alter table intake_item add column drawing_version integer default 1 not null;
