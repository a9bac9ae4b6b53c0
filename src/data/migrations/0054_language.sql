-- The language of what a customer is sent: documents, mails, letters.
alter table customer add column language text not null default 'en' check (language in ('en', 'de'));
