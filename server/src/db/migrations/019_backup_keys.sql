-- Passphrases and PINs leave the shop in a backup only encrypted to a public key. Its private key is derived from a passphrase that is
-- kept nowhere, in the way that stands beside it. People whose secrets were left out of a backup have no passphrase until an owner gives
-- them one.

CREATE TABLE backup_keys (
  id         boolean PRIMARY KEY DEFAULT true CHECK (id),
  public_key text NOT NULL,
  derivation jsonb NOT NULL,
  author     text,
  made_at    timestamptz NOT NULL DEFAULT now()
);

ALTER TABLE people ALTER COLUMN passphrase DROP NOT NULL;
