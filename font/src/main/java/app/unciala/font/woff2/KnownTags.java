package app.unciala.font.woff2;

import java.util.Arrays;
import java.util.List;

/** The table tags that WOFF 2.0 writes as a number (section 4.1, "Known Table Tags"). */
final class KnownTags {
    /** The number that says a tag of four bytes follows. */
    static final int ARBITRARY = 63;

    private static final List<String> TAGS = Arrays.asList(
            ("cmap,head,hhea,hmtx,maxp,name,OS/2,post,cvt ,fpgm,glyf,loca,prep,CFF ,VORG,EBDT,EBLC,gasp,hdmx,kern,"
                            + "LTSH,PCLT,VDMX,vhea,vmtx,BASE,GDEF,GPOS,GSUB,EBSC,JSTF,MATH,CBDT,CBLC,COLR,CPAL,SVG ,sbix,acnt,avar,"
                            + "bdat,bloc,bsln,cvar,fdsc,feat,fmtx,fvar,gvar,hsty,just,lcar,mort,morx,opbd,prop,trak,Zapf,Silf,Glat,"
                            + "Gloc,Feat,Sill")
                    .split(","));

    private KnownTags() {}

    static String tag(int number) {
        return TAGS.get(number);
    }

    static int number(String tag) {
        int at = TAGS.indexOf(tag);
        return at < 0 ? ARBITRARY : at;
    }
}
