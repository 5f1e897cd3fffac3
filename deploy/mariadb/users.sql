-- Run once as root, with passwords of your own. The application may change rows, and only what migrates may change tables.
create database if not exists keel_round character set utf8mb4 collate utf8mb4_uca1400_ai_ci;
create user if not exists keel_app@'127.0.0.1' identified by 'CHANGE-ME';
create user if not exists keel_migrate@'127.0.0.1' identified by 'CHANGE-ME';
create user if not exists keel_backup@'127.0.0.1' identified by 'CHANGE-ME';
grant select, insert, update, delete on keel_round.* to keel_app@'127.0.0.1';
grant select, insert, update, delete, create, alter, drop, index, references on keel_round.* to keel_migrate@'127.0.0.1';
grant select, lock tables, show view on keel_round.* to keel_backup@'127.0.0.1';
