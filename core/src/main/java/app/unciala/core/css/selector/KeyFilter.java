package app.unciala.core.css.selector;

import app.unciala.core.css.selector.Selector.Key;

/**
 * A set of ids, classes and types that may say of one that it does not have that it has it, and never the other way
 * round (a Bloom filter of one hash): so most selectors are passed over that ask for an element that is not there.
 */
final class KeyFilter {
    static final KeyFilter NOTHING = new KeyFilter(new long[KeyFilter.WORDS]);
    private static final int WORDS = 4;
    private static final int BITS = WORDS * Long.SIZE;

    private final long[] bits;

    private KeyFilter(long[] bits) {
        this.bits = bits;
    }

    KeyFilter with(Iterable<Key> keys) {
        long[] more = bits.clone();
        for (Key key : keys) {
            int hash = key.hashCode();
            int bit = Math.floorMod(hash ^ hash >>> 15, BITS);
            more[bit / Long.SIZE] |= 1L << bit;
        }
        return new KeyFilter(more);
    }

    /** Whether all of the others may be in it. */
    boolean mayHold(KeyFilter others) {
        for (int i = 0; i < WORDS; i++) {
            if ((bits[i] & others.bits[i]) != others.bits[i]) {
                return false;
            }
        }
        return true;
    }
}
