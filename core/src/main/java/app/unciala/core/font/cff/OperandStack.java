package app.unciala.core.font.cff;

import app.unciala.core.font.FontException;
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

    /** Carries out the operator 12 {@code b}. */
    void arithmetic(int b) {
        switch (b) {
            case 3 -> binary((l, r) -> l != 0 && r != 0 ? 1 : 0);
            case 4 -> binary((l, r) -> l != 0 || r != 0 ? 1 : 0);
            case 5 -> push(pop() == 0 ? 1 : 0);
            case 9 -> push(Math.abs(pop()));
            case 10 -> binary(Double::sum);
            case 11 -> binary((l, r) -> l - r);
            case 12 -> binary((l, r) -> r == 0 ? 0 : l / r);
            case 14 -> push(-pop());
            case 15 -> binary((l, r) -> l == r ? 1 : 0);
            case 18 -> pop();
            case 20 -> {
                int index = (int) pop();
                storage[Math.floorMod(index, storage.length)] = pop();
            }
            case 21 -> push(storage[Math.floorMod((int) pop(), storage.length)]);
            case 22 -> {
                double v2 = pop();
                double v1 = pop();
                double s2 = pop();
                double s1 = pop();
                push(v1 <= v2 ? s1 : s2);
            }
            case 23 -> push(0.5);
            case 24 -> binary((l, r) -> l * r);
            case 26 -> push(Math.sqrt(Math.max(0, pop())));
            case 27 -> {
                double top = pop();
                push(top);
                push(top);
            }
            case 28 -> {
                double top = pop();
                double below = pop();
                push(top);
                push(below);
            }
            case 29 -> {
                int index = Math.max(0, (int) pop());
                push(at(size - 1 - index));
            }
            case 30 -> roll();
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
