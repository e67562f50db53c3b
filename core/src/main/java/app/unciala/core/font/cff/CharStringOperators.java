package app.unciala.core.font.cff;

/** The operators of Type 2 charstrings (Technical Note 5177, appendix A), and those that CFF2 adds. */
final class CharStringOperators {
    static final int HSTEM = 1;
    static final int VSTEM = 3;
    static final int VMOVETO = 4;
    static final int RLINETO = 5;
    static final int HLINETO = 6;
    static final int VLINETO = 7;
    static final int RRCURVETO = 8;
    static final int CALLSUBR = 10;
    static final int RETURN = 11;
    /** The operator is the byte after this one. */
    static final int ESCAPE = 12;

    static final int ENDCHAR = 14;
    static final int VSINDEX = 15;
    static final int BLEND = 16;
    static final int HSTEMHM = 18;
    static final int HINTMASK = 19;
    static final int CNTRMASK = 20;
    static final int RMOVETO = 21;
    static final int HMOVETO = 22;
    static final int VSTEMHM = 23;
    static final int RCURVELINE = 24;
    static final int RLINECURVE = 25;
    static final int VVCURVETO = 26;
    static final int HHCURVETO = 27;
    static final int CALLGSUBR = 29;
    static final int VHCURVETO = 30;
    static final int HVCURVETO = 31;

    // Those after ESCAPE.
    static final int AND = 3;
    static final int OR = 4;
    static final int NOT = 5;
    static final int ABS = 9;
    static final int ADD = 10;
    static final int SUB = 11;
    static final int DIV = 12;
    static final int NEG = 14;
    static final int EQ = 15;
    static final int DROP = 18;
    static final int PUT = 20;
    static final int GET = 21;
    static final int IFELSE = 22;
    static final int RANDOM = 23;
    static final int MUL = 24;
    static final int SQRT = 26;
    static final int DUP = 27;
    static final int EXCH = 28;
    static final int INDEX = 29;
    static final int ROLL = 30;
    static final int HFLEX = 34;
    static final int FLEX = 35;
    static final int HFLEX1 = 36;
    static final int FLEX1 = 37;

    private CharStringOperators() {}
}
