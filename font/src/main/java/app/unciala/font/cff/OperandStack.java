package app.unciala.font.cff;

import static app.unciala.font.cff.CharStringOperators.ABS;
import static app.unciala.font.cff.CharStringOperators.ADD;
import static app.unciala.font.cff.CharStringOperators.AND;
import static app.unciala.font.cff.CharStringOperators.DIV;
import static app.unciala.font.cff.CharStringOperators.DROP;
import static app.unciala.font.cff.CharStringOperators.DUP;
import static app.unciala.font.cff.CharStringOperators.EQ;
import static app.unciala.font.cff.CharStringOperators.EXCH;
import static app.unciala.font.cff.CharStringOperators.GET;
import static app.unciala.font.cff.CharStringOperators.IFELSE;
import static app.unciala.font.cff.CharStringOperators.INDEX;
import static app.unciala.font.cff.CharStringOperators.MUL;
import static app.unciala.font.cff.CharStringOperators.NEG;
import static app.unciala.font.cff.CharStringOperators.NOT;
import static app.unciala.font.cff.CharStringOperators.OR;
import static app.unciala.font.cff.CharStringOperators.PUT;
import static app.unciala.font.cff.CharStringOperators.RANDOM;
import static app.unciala.font.cff.CharStringOperators.ROLL;
import static app.unciala.font.cff.CharStringOperators.SQRT;
import static app.unciala.font.cff.CharStringOperators.SUB;

import app.unciala.font.FontException;
import java.util.function.DoubleBinaryOperator;

/** The operands of charstring operators, with the arithmetic on them (Technical Note 5177, sections 4.4 to 4.6). */
final class OperandStack {
    private static final int MAX_STACK = 513;

    final double[] values = new double[MAX_STACK];
    int size;
    private final double[] storage = new double[32];

    void dropFirst() {
        System.arraycopy(values, 1, values, 0, --size);
    }

    /**
     * Adds to each of the last values its deltas, which stand above the top.
     *
     * @param scalar how much the delta of each region counts
     * @return whether all that was added is whole numbers
     */
    boolean blend(int count, int regions, double[] scalar) {
        boolean whole = true;
        for (int i = 0; i < count; i++) {
            double delta = 0;
            for (int region = 0; region < regions; region++) {
                delta += scalar[region] * values[size + i * regions + region];
            }
            values[size - count + i] += delta;
            whole = whole && delta == Math.rint(delta);
        }
        return whole;
    }

    /** Carries out the operator {@code b} after an escape. */
    void arithmetic(int b) {
        switch (b) {
            case AND -> binary((l, r) -> l != 0 && r != 0 ? 1 : 0);
            case OR -> binary((l, r) -> l != 0 || r != 0 ? 1 : 0);
            case NOT -> push(pop() == 0 ? 1 : 0);
            case ABS -> push(Math.abs(pop()));
            case ADD -> binary(Double::sum);
            case SUB -> binary((l, r) -> l - r);
            case DIV -> binary((l, r) -> r == 0 ? 0 : l / r);
            case NEG -> push(-pop());
            case EQ -> binary((l, r) -> l == r ? 1 : 0);
            case DROP -> pop();
            case PUT -> {
                int index = (int) pop();
                storage[Math.floorMod(index, storage.length)] = pop();
            }
            case GET -> push(storage[Math.floorMod((int) pop(), storage.length)]);
            case IFELSE -> {
                double v2 = pop();
                double v1 = pop();
                double s2 = pop();
                double s1 = pop();
                push(v1 <= v2 ? s1 : s2);
            }
            case RANDOM -> push(0.5);
            case MUL -> binary((l, r) -> l * r);
            case SQRT -> push(Math.sqrt(Math.max(0, pop())));
            case DUP -> {
                double top = pop();
                push(top);
                push(top);
            }
            case EXCH -> {
                double top = pop();
                double below = pop();
                push(top);
                push(below);
            }
            case INDEX -> {
                int index = Math.max(0, (int) pop());
                push(at(size - 1 - index));
            }
            case ROLL -> roll();
            default -> throw new FontException("CFF ", -1, "has the unknown charstring operator 12 " + b);
        }
    }

    private void roll() {
        int shift = (int) pop();
        int count = (int) pop();
        if (count < 0 || count > size) {
            throw new FontException("CFF ", -1, "rolls more of its stack than there is");
        }
        double[] part = new double[count];
        for (int i = 0; i < count; i++) {
            part[Math.floorMod(i + shift, count)] = values[size - count + i];
        }
        System.arraycopy(part, 0, values, size - count, count);
    }

    private void binary(DoubleBinaryOperator operator) {
        double right = pop();
        double left = pop();
        push(operator.applyAsDouble(left, right));
    }

    double at(int i) {
        if (i < 0 || i >= size) {
            throw new FontException("CFF ", -1, "has a charstring operator with too few operands");
        }
        return values[i];
    }

    void push(double value) {
        if (size == MAX_STACK) {
            throw new FontException("CFF ", -1, "has a charstring with too many operands");
        }
        values[size++] = value;
    }

    double pop() {
        if (size == 0) {
            throw new FontException("CFF ", -1, "has a charstring operator with too few operands");
        }
        return values[--size];
    }
}
