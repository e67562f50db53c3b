package app.unciala.font.cff;

/** The operators of Type 2 charstrings (Technical Note 5177, appendix A), and those that CFF2 adds. */
public final class CharStringOperators {
    public static final int HSTEM = 1;
    public static final int VSTEM = 3;
    public static final int VMOVETO = 4;
    public static final int RLINETO = 5;
    public static final int HLINETO = 6;
    public static final int VLINETO = 7;
    public static final int RRCURVETO = 8;
    public static final int CALLSUBR = 10;
    public static final int RETURN = 11;
    /** The operator is the byte after this one. */
    public static final int ESCAPE = 12;

    public static final int ENDCHAR = 14;
    public static final int VSINDEX = 15;
    public static final int BLEND = 16;
    public static final int HSTEMHM = 18;
    public static final int HINTMASK = 19;
    public static final int CNTRMASK = 20;
    public static final int RMOVETO = 21;
    public static final int HMOVETO = 22;
    public static final int VSTEMHM = 23;
    public static final int RCURVELINE = 24;
    public static final int RLINECURVE = 25;
    public static final int VVCURVETO = 26;
    public static final int HHCURVETO = 27;
    public static final int CALLGSUBR = 29;
    public static final int VHCURVETO = 30;
    public static final int HVCURVETO = 31;

    // Those after ESCAPE.
    /** Deprecated, and without effect. */
    public static final int DOTSECTION = 0;

    public static final int AND = 3;
    public static final int OR = 4;
    public static final int NOT = 5;
    public static final int ABS = 9;
    public static final int ADD = 10;
    public static final int SUB = 11;
    public static final int DIV = 12;
    public static final int NEG = 14;
    public static final int EQ = 15;
    public static final int DROP = 18;
    public static final int PUT = 20;
    public static final int GET = 21;
    public static final int IFELSE = 22;
    public static final int RANDOM = 23;
    public static final int MUL = 24;
    public static final int SQRT = 26;
    public static final int DUP = 27;
    public static final int EXCH = 28;
    public static final int INDEX = 29;
    public static final int ROLL = 30;
    public static final int HFLEX = 34;
    public static final int FLEX = 35;
    public static final int HFLEX1 = 36;
    public static final int FLEX1 = 37;

    private CharStringOperators() {}
}
