-- Signing is an act: what it meant, and how the person said who they are, stands with the document.
alter table certificate add column signed jsonb;
