-- Hours of the shop, each change of them a row; and what the last plan of the day decided, so that the next moves little.

CREATE TABLE shop_days (
  revision integer PRIMARY KEY CHECK (revision > 0),
  day      jsonb NOT NULL,
  author   text,
  saved_at timestamptz NOT NULL DEFAULT now()
);
CREATE TRIGGER shop_days_append_only BEFORE UPDATE OR DELETE ON shop_days
  FOR EACH ROW EXECUTE FUNCTION refuse_change();

CREATE TABLE day_orders (
  id   boolean PRIMARY KEY DEFAULT true CHECK (id),
  kept jsonb NOT NULL
);

CREATE TRIGGER shop_days_tell AFTER INSERT ON shop_days FOR EACH STATEMENT EXECUTE FUNCTION tell_change('shelf');
