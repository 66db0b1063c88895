// The formula language: values and conditions over the bars of an instrument. Case does not matter.
grammar Formula;

options { caseInsensitive = true; }

formula : expression EOF ;

// not binds tightest, then and, then or.
expression
    : NOT operand=expression                                                # negation
    | left=expression operator=AND right=expression                         # logic
    | left=expression operator=OR right=expression                          # logic
    | comparison                                                            # compared
    ;

comparison
    : left=sum (operator=('>' | '>=' | '<' | '<=' | '=' | '<>') right=sum)?                # relation
    | left=sum CROSSES direction=(ABOVE | BELOW)? right=sum                                # crossing
    ;

sum : sum operator=('+' | '-') product | product ;

product : product operator=('*' | '/') signed | signed ;

signed : operator=('-' | '+') signed | power ;

power : base=shifted ('^' exponent=signed)? ;

// What is computed on a higher timeframe may be shifted; what is shifted may be put on a higher timeframe by brackets.
shifted : primary place? (BACK bars=NUMBER)* ;

place : ON FORMING? timeframe=(WORD | TIMEFRAME) ;

primary
    : NUMBER percent='%'?                                                   # number
    | function=WORD '(' (argument (',' argument)*)? ')' ('.' output=WORD)?  # call
    | word=WORD ('.' output=WORD)?                                          # name
    | INSTRUMENT                                                            # instrument
    | DATE                                                                  # date
    | DRAWING name=STRING ('.' line=WORD)?                                  # drawing
    | '(' expression ')'                                                    # group
    ;

argument : (WORD ':')? expression ;

AND : 'and' ;
OR : 'or' ;
NOT : 'not' ;
CROSSES : 'crosses' ;
ABOVE : 'above' ;
BELOW : 'below' ;
BACK : 'back' ;
ON : 'on' ;
FORMING : 'forming' ;
DRAWING : 'drawing' ;
STRING : '"' ~["\r\n]* '"' ;
// A date belongs together; a difference of numbers that looks like one is written with blanks.
DATE : [0-9] [0-9] [0-9] [0-9] '-' [0-9] [0-9]? '-' [0-9] [0-9]? ('t' [0-9] [0-9] ':' [0-9] [0-9] (':' [0-9] [0-9])?)? ;
TIMEFRAME : [0-9]+ [smhdwqy] ;
NUMBER : [0-9]+ ('.' [0-9]+)? | '.' [0-9]+ ;
INSTRUMENT : '#' [a-z0-9_] [a-z0-9_:-]* ;
WORD : [a-z_] [a-z0-9_]* ;
SPACE : [ \t\r\n]+ -> skip ;
STRAY : . ;
