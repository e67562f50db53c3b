-- Letters to show a file by, out of those it has; they are read from the stored bytes at the next start.
alter table face_file add column sample varchar(255) default '' not null;
