namespace Yardang.Core.Rooms;

/// <summary>Why a command changed nothing. The interface has a sentence for each; the numbers are on the wire and never reused.</summary>
public enum Refusal
{
    /// <summary>The command could not be read.</summary>
    Malformed = 1,

    /// <summary>The command's version is newer than this server.</summary>
    TooNew = 2,

    /// <summary>The message is over a stated limit.</summary>
    TooLarge = 3,

    /// <summary>The client number belongs to somebody else, or to nobody.</summary>
    UnknownClient = 4,

    /// <summary>Commands before this one are missing: resend from the number given.</summary>
    Resend = 5,

    /// <summary>The room has too much to do: resend in a moment.</summary>
    Busy = 6,

    /// <summary>This person may not do this here.</summary>
    NotAllowed = 7,

    /// <summary>The mark, page, gesture or person does not exist.</summary>
    NotFound = 8,

    /// <summary>The mark belongs to somebody else.</summary>
    NotYours = 9,

    /// <summary>The mark is printed.</summary>
    Printed = 10,

    /// <summary>A loose mark can be moved and turned, and only that.</summary>
    LooseOnlyMoves = 11,

    /// <summary>The page does not exist.</summary>
    NoSuchPage = 12,

    /// <summary>A number or text is outside its range.</summary>
    OutOfRange = 13,

    /// <summary>The page or room holds as much as it can.</summary>
    Full = 14,

    /// <summary>There is nothing to undo or redo under this gesture.</summary>
    NothingToUndo = 15,

    /// <summary>Somebody else has changed it since.</summary>
    ChangedSince = 16,

    /// <summary>The id is taken.</summary>
    Duplicate = 17,

    /// <summary>The lesson is closed.</summary>
    Closed = 18,

    /// <summary>The room cannot be changed, because part of its log cannot be read.</summary>
    ReadOnly = 19,

    /// <summary>The mark is pinned in place.</summary>
    Pinned = 20,

    /// <summary>This tool is not given out on this page.</summary>
    Withheld = 21,

    /// <summary>This person has as many cards up as each may.</summary>
    EnoughCards = 22,

    /// <summary>Cards are not judged, or not any more.</summary>
    JudgingEnded = 23,

    /// <summary>This person has chosen as many cards as each may.</summary>
    EnoughChosen = 24,

    /// <summary>It came after nobody was to write any more, and does not wait for a decision.</summary>
    TooLate = 25,

    /// <summary>On a round trip: their group is not there, and was not before.</summary>
    NotHere = 26,

    /// <summary>Too few people have said something: who said what could be guessed.</summary>
    TooFew = 27,

    /// <summary>It comes out later: now it could be told whose it is.</summary>
    NotYet = 28,

    /// <summary>This topic is for others.</summary>
    NotForYou = 29,

    /// <summary>This person has given as many answers as each may.</summary>
    EnoughAnswers = 30,

    /// <summary>This person has judged as many cards as each may.</summary>
    EnoughJudged = 31,

    /// <summary>The word screen found something in it that a class should not read.</summary>
    Words = 32,

    /// <summary>Somebody has answered in this answer field.</summary>
    Answered = 33,
}
