-- What a customer wants of every document: the decision rule, and annexes. A receipt begins with the rule; the signatory with the annexes.
alter table customer add column rule text not null default 'simple' check (rule in ('simple', 'guarded'));
alter table customer add column annex_budgets boolean not null default false;
alter table customer add column annex_traces boolean not null default false;
