// The formula language: values and conditions over the bars of an instrument, and the statements of an indicator of one's own.
// Case does not matter, except in quoted text and in timeframes (m minutes, M months).
grammar Formula;

options { caseInsensitive = true; }

// --- formulas ---

formula : expression EOF ;

// What follows a condition binds tighter than what stands before it, then and, then or.
expression
    : condition=expression HELD FOR count                                   # heldFor
    | condition=expression SEEN IN count                                    # seenIn
    | prefix=(NOT | JUST) operand=expression                                # prefixed
    | left=expression operator=AND right=expression                         # logic
    | left=expression operator=OR right=expression                          # logic
    | comparison                                                            # compared
    ;

comparison
    : left=choice (operator=(GREATER | AT_LEAST | LESS | AT_MOST | EQUAL | UNEQUAL) right=choice)?   # relation
    | left=choice CROSSES direction=(ABOVE | BELOW)? right=choice                                    # crossing
    | left=choice IS negated=NOT? direction=(RISING | FALLING) (FOR count)?                          # tendency
    | left=choice IS negated=NOT? WITHIN amount OF right=choice                                      # nearness
    | left=choice IS negated=NOT? BETWEEN low=choice AND high=choice                                 # betweenness
    | left=choice IS negated=NOT? direction=(ABOVE | BELOW) right=choice                             # side
    ;

// A share of what stands right of it (5%), a number, or a number of units (0.5 atr(14)).
amount : factor=unit measure=unit? ;

unit : primary (BACK count | ON FORMING? kind)* ;

choice : sum (ELSE sum)* ;

sum : sum operator=('+' | MINUS) product | product ;

product : product operator=(TIMES | DIVIDED) signed | signed ;

signed : operator=(MINUS | '+') signed | power ;

power : base=shifted ('^' exponent=signed)? ;

// From left to right: close back 3 on W is what closed three weeks before the last complete one.
shifted : primary step* ;

step
    : BACK count                                                            # back
    | ON FORMING? kind                                                      # place
    | OF instrument                                                         # other
    | WHEN LAST primary                                                     # last
    ;

count : NUMBER | word ;

// W, 4h, range 10, point-figure 10x3, brick 2%
kind : TIMEFRAME | name=(WORD | LINE_BREAK | POINT_FIGURE | HEIKIN_ASHI) (NUMBER '%'? turn=WORD?)? ;

instrument : INSTRUMENT | word ;

primary
    : NUMBER percent='%'?                                                   # number
    | IF '(' argument (',' argument)* ')'                                   # if
    | BARS SINCE primary                                                    # barsSince
    | provisional=PROVISIONAL? function=word '(' (argument (',' argument)*)? ')' chosen?   # call
    | provisional=PROVISIONAL? name=word chosen?                            # name
    | INSTRUMENT                                                            # instrumentAlone
    | DATE                                                                  # date
    | DRAWING name=STRING ('.' line=anyWord)?                               # drawing
    | '(' expression ')'                                                    # group
    ;

// One of several outputs, and of what is counted from the newest which one: .price(2)
chosen : '.' output=anyWord ('(' nth=count ')')? ;

// A word of a choice may be one that means something elsewhere: estimate: bars
argument : (name=anyWord ':')? (expression | bare=keyword) ;

// --- an indicator of one's own ---

statement : said EOF ;

said
    : DEFINE STRING (IN place=word (FROM least=literal TO most=literal)?)?                            # define
    | SETTING word '=' standard (FROM least=literal TO most=literal | AMONG entry (',' entry)*)? STRING?  # settingOf
    | LET word '=' expression                                               # meaning
    | form=(LINE | BARS | DOTS) expression STRING? style*                   # drawn
    | AREA BETWEEN low=choice AND high=choice STRING? style*                # area
    | MARKER direction=(UP | DOWN) STRING? style* WHEN expression           # marker
    | TINT STRING style* WHEN expression                                    # tint
    | CUE STRING WHEN expression                                            # cue
    | LEVEL literal (',' literal)*                                          # level
    | NOTE STRING                                                           # note
    ;

standard : literal | entry | INSTRUMENT | DATE ;

entry : word | TIMEFRAME ;

literal : MINUS? NUMBER '%'? ;

style : WIDTH NUMBER | DASHED | STEPS | INVISIBLE | colour=word NUMBER? ;

// Words that stand for something only where a statement or a step begins may be names too.
word
    : WORD | DEFINE | SETTING | LET | LINE | AREA | DOTS | MARKER | TINT | CUE | LEVEL | NOTE | FROM | TO | AMONG | WIDTH | UP
    | DOWN | DASHED | STEPS | INVISIBLE | LAST | RISING | FALLING | SINCE | PROVISIONAL
    ;

anyWord : word | keyword ;

keyword
    : AND | OR | NOT | JUST | CROSSES | ABOVE | BELOW | BACK | ON | FORMING | OF | WHEN | BARS | ELSE | IF | IS | FOR | WITHIN
    | BETWEEN | HELD | SEEN | IN | DRAWING
    ;

AND : 'and' ;
OR : 'or' ;
NOT : 'not' ;
JUST : 'just' ;
CROSSES : 'crosses' ;
ABOVE : 'above' ;
BELOW : 'below' ;
BACK : 'back' ;
ON : 'on' ;
FORMING : 'forming' ;
OF : 'of' ;
WHEN : 'when' ;
LAST : 'last' ;
BARS : 'bars' ;
SINCE : 'since' ;
PROVISIONAL : 'provisional' ;
ELSE : 'else' ;
IF : 'if' ;
IS : 'is' ;
RISING : 'rising' ;
FALLING : 'falling' ;
FOR : 'for' ;
WITHIN : 'within' ;
BETWEEN : 'between' ;
HELD : 'held' ;
SEEN : 'seen' ;
IN : 'in' ;
DRAWING : 'drawing' ;
DEFINE : 'define' ;
SETTING : 'setting' ;
LET : 'let' ;
LINE : 'line' ;
AREA : 'area' ;
DOTS : 'dots' ;
MARKER : 'marker' ;
TINT : 'tint' ;
CUE : 'cue' ;
LEVEL : 'level' ;
NOTE : 'note' ;
FROM : 'from' ;
TO : 'to' ;
AMONG : 'among' ;
WIDTH : 'width' ;
UP : 'up' ;
DOWN : 'down' ;
DASHED : 'dashed' ;
STEPS : 'steps' ;
INVISIBLE : 'hidden' ;
LINE_BREAK : 'line-break' ;
POINT_FIGURE : 'point-figure' ;
HEIKIN_ASHI : 'heikin-ashi' ;
// Signs as they come from other documents too.
AT_LEAST : '>=' | '\u2265' ;
AT_MOST : '<=' | '\u2264' ;
UNEQUAL : '<>' | '\u2260' ;
GREATER : '>' ;
LESS : '<' ;
EQUAL : '=' ;
MINUS : '-' | '\u2212' | '\u2013' ;
TIMES : '*' | '\u00d7' ;
DIVIDED : '/' | '\u00f7' ;
STRING : ["\u201c\u201d\u201e] ~["\u201c\u201d\u201e\r\n]* ["\u201c\u201d] ;
// A date belongs together; a difference of numbers that looks like one is written with blanks.
DATE : [0-9] [0-9] [0-9] [0-9] '-' [0-9] [0-9]? '-' [0-9] [0-9]? ('t' [0-9] [0-9] ':' [0-9] [0-9] (':' [0-9] [0-9])?)? ;
TIMEFRAME : [0-9]+ [smhdwqy] ;
NUMBER : [0-9]+ ('.' [0-9]+)? | '.' [0-9]+ ;
// A code; one with other characters stands in quotes: #"AB 1".
INSTRUMENT : '#' [a-z0-9_]+ ([.:] [a-z0-9_]+ | '-' [a-z] [a-z0-9_]*)* | '#"' ~["\r\n]+ '"' ;
WORD : [a-z_] [a-z0-9_]* ;
SPACE : [ \t\r\n\u00a0]+ -> skip ;
// What is said to people who read the text.
REMARK : '//' ~[\r\n]* -> channel(2) ;
STRAY : . ;
