package app.unciala.core.css.selector;

import app.unciala.core.css.selector.Selector.Key;

/**
 * A set of ids, classes and types that may say of one that it does not have that it has it, and never the other way
 * round (a Bloom filter of one hash): so most selectors are passed over that ask for an ancestor that is not there.
 */
final class AncestorFilter {
    static final AncestorFilter NOTHING = new AncestorFilter(new long[AncestorFilter.WORDS]);
    private static final int WORDS = 4;
    private static final int BITS = WORDS * Long.SIZE;

    private final long[] bits;

    private AncestorFilter(long[] bits) {
        this.bits = bits;
    }

    AncestorFilter with(Iterable<Key> keys) {
        long[] more = bits.clone();
        for (Key key : keys) {
            int hash = key.hashCode();
            int bit = Math.floorMod(hash ^ hash >>> 15, BITS);
            more[bit / Long.SIZE] |= 1L << bit;
        }
        return new AncestorFilter(more);
    }

    /** Whether all of the others may be in it. */
    boolean mayHold(AncestorFilter others) {
        for (int i = 0; i < WORDS; i++) {
            if ((bits[i] & others.bits[i]) != others.bits[i]) {
                return false;
            }
        }
        return true;
    }
}
