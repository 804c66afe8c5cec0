-- An entry that sets or removes a shortcut is kept under the shortcut's own key; the word before it said nothing.
UPDATE "entries" SET "key" = substr("key", 5) WHERE "key" LIKE 'say' || chr(10) || '%';
