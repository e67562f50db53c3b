package app.unciala.font.testing;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.Random;

/** Fonts with a few bytes changed; the same seed gives the same mutant. */
public final class Mutants {
    private Mutants() {}

    /** Changes a few bytes: anywhere, early in the file, or early in one of its tables, where the structure is. */
    public static byte[] mutate(byte[] original, Random random) {
        byte[] mutant = original.clone();
        int changes = 1 + random.nextInt(6);
        int table = tableStart(original, random);
        for (int i = 0; i < changes; i++) {
            int at =
                    switch (random.nextInt(3)) {
                        case 0 -> random.nextInt(mutant.length);
                        case 1 -> random.nextInt(Math.min(512, mutant.length));
                        default -> Math.min(mutant.length - 1, table + random.nextInt(200));
                    };
            mutant[at] = (byte)
                    switch (random.nextInt(4)) {
                        case 0 -> 0xFF;
                        case 1 -> 0;
                        case 2 -> mutant[at] + (random.nextBoolean() ? 1 : -1);
                        default -> random.nextInt(256);
                    };
        }
        return mutant;
    }

    /** Where one of the tables of a bare font begins; in other containers, anywhere. */
    private static int tableStart(byte[] original, Random random) {
        ByteView file = ByteView.of(original, "file");
        int flavor = file.i32(0);
        if (flavor != Sfnt.TRUETYPE && flavor != Sfnt.CFF) {
            return random.nextInt(original.length);
        }
        return file.offset32(12 + 16 * random.nextInt(file.u16(4)) + 8);
    }
}
