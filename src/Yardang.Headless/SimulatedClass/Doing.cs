using System.Collections.Immutable;
using Yardang.Core.Ink;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;

namespace Yardang.Headless.SimulatedClass;

/// <summary>What a simulated student does next. A closed set.</summary>
public abstract record Doing
{
    /// <summary>On which page of the activity, from 0.</summary>
    public int Page { get; init; }
}

/// <summary>Draws a stroke.</summary>
public sealed record Draws(ImmutableArray<InkPoint> Points, int Colour) : Doing;

/// <summary>Types words on the page.</summary>
public sealed record Types(int X, int Y, string Words) : Doing;

/// <summary>Puts up a note; a small one is as a label.</summary>
public sealed record PutsUpNote(int X, int Y, string Words, int Colour, bool Small = false) : Doing;

/// <summary>Puts on the page what they recorded.</summary>
public sealed record PutsRecording(int X, int Y, int Width, int Height, Recorded Recorded) : Doing;

/// <summary>Puts a card up on a wall.</summary>
/// <param name="Topic">The topic's place among those of the wall, from 0; beyond the last for what fits nowhere.</param>
/// <param name="Words">What it says.</param>
/// <param name="Sketch">Which bridge is drawn beside the words (<see cref="BridgeDrawing"/>); null for none.</param>
/// <param name="Search">What picture is searched and put beside them; null for none.</param>
/// <param name="Recorded">What was recorded; null for nothing.</param>
public sealed record PutsUpCard(int Topic, string Words, int? Sketch = null, string? Search = null, Recorded? Recorded = null) : Doing;

/// <summary>Says something else on their own last card.</summary>
public sealed record RewordsCard(string Words) : Doing;

/// <summary>Moves their own last card to another topic, counted from 0.</summary>
public sealed record MovesCard(int Topic) : Doing;

/// <summary>Answers the last card of somebody else, if there is one.</summary>
public sealed record AnswersCard(string Words) : Doing;

/// <summary>Goes to a station of a wall to visit, counted from 0.</summary>
public sealed record GoesToStation(int Station) : Doing;

/// <summary>Places a card of a wall to order, counted from 0, on a line from 0 to 100.</summary>
public sealed record PlacesCard(int Card, int At) : Doing;

/// <summary>Links the first card that begins so with the first that begins so, with words of the teacher's or their own, if both are there.</summary>
public sealed record LinksCards(string From, string To, string Words) : Doing;

/// <summary>Puts a card up beside the first that begins so, which leads to it; turned, it leads there. Beside nothing it stays without a link.</summary>
public sealed record PutsUpBeside(string Words, string Beside, string Link, bool IsTurned = false) : Doing;

/// <summary>Says that they ask the same as the first question of somebody else that begins so, if there is one.</summary>
public sealed record AsksToo(string Beginning) : Doing;

/// <summary>Tells the teacher that a card that begins like this is not all right.</summary>
public sealed record TellsTeacher(string Beginning, ConcernReason Reason, string Words) : Doing;

/// <summary>Responds with a stamp to the first card of somebody else that begins so, if there is one.</summary>
public sealed record RespondsTo(string Beginning, string Stamp) : Doing;

/// <summary>Answers the first question of somebody else that begins so, if there is one.</summary>
public sealed record AnswersQuestion(string Beginning, string Words) : Doing;

/// <summary>Says something to a mark of the board that they share, or to the first who did.</summary>
/// <param name="Beginning">How its words begin.</param>
/// <param name="Words">What is said.</param>
/// <param name="IsReply">Whether it is said to the first who said something of it.</param>
public sealed record SaysOf(string Beginning, string Words, bool IsReply = false) : Doing;

/// <summary>Has found what answers their own last question, and says so.</summary>
public sealed record FindsAnswer(string Words) : Doing;

/// <summary>Says of each card of the others that they see: agree, unsure or disagree, as it happens.</summary>
public sealed record JudgesCards : Doing;

/// <summary>Goes on in another part of the lesson, by its number, if it is open.</summary>
public sealed record GoesTo(int Part) : Doing;

/// <summary>Draws a shape.</summary>
public sealed record DrawsShape(ShapeBody Shape, Style Style) : Doing;

/// <summary>Moves one of the loose marks that the teacher put on the page so that its middle is there.</summary>
/// <param name="Which">Counted from 0 in the order in which they lie.</param>
public sealed record Moves(int Which, int X, int Y) : Doing;

/// <summary>Gives or takes back a signal; a hand perhaps with a reason.</summary>
public sealed record Signals(Signal Signal, bool On, HandReason Reason = HandReason.None, string Words = "") : Doing;

/// <summary>Says how it is going.</summary>
public sealed record Reports(Report Report) : Doing;

/// <summary>Loses the network, or has it back.</summary>
public sealed record Network(bool On) : Doing;

/// <summary>Thinks.</summary>
public sealed record Thinks : Doing;

/// <summary>What each student of the class does in a lesson, step by step, always the same.</summary>
/// <param name="student">Position in the roster, from 0.</param>
public delegate IReadOnlyList<Doing> Script(int student);
