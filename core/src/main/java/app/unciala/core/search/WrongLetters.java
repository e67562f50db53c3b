package app.unciala.core.search;

/** How far one spelling is from another. */
public final class WrongLetters {
    private WrongLetters() {}

    /**
     * How many letters are wrong, missing, too many, or changed places, counted up to one more than {@code most} (optimal
     * string alignment distance).
     */
    public static int between(String a, String b, int most) {
        if (Math.abs(a.length() - b.length()) > most) {
            return most + 1;
        }
        int[] beforeLast = new int[b.length() + 1];
        int[] last = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            last[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int[] row = new int[b.length() + 1];
            row[0] = i;
            int least = i;
            for (int j = 1; j <= b.length(); j++) {
                int same = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                row[j] = Math.min(Math.min(row[j - 1], last[j]) + 1, last[j - 1] + same);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
                    row[j] = Math.min(row[j], beforeLast[j - 2] + 1);
                }
                least = Math.min(least, row[j]);
            }
            if (least > most) {
                return most + 1;
            }
            beforeLast = last;
            last = row;
        }
        return Math.min(last[b.length()], most + 1);
    }
}
