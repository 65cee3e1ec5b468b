using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Lessons;

/// <summary>Staff: pens down for some of the class, or up again.</summary>
/// <param name="People">Whose, by actor numbers.</param>
/// <param name="Down">Whether they are down.</param>
/// <param name="Minutes">For how long; 0: until they are up again.</param>
/// <param name="Words">Why, in a line for them; may be empty.</param>
[Kind(91)]
public sealed record HoldPens([AtMost(Limits.People)] ImmutableArray<int> People, bool Down, int Minutes, [Since(2)] string Words = "") : Command
{
    /// <summary>The longest time that ends by itself, minutes.</summary>
    public const int Longest = 120;

    /// <summary>Stands for a time that does not end by itself.</summary>
    public const long UntilSaid = 0;

    internal Decision Decide(IReadOnlyDictionary<int, Person> people, long time)
    {
        if (People.IsEmpty || Minutes < 0 || Minutes > (Down ? Longest : 0)) return Refusal.OutOfRange;
        var words = Words.Trim();
        if (words.Length > (Down ? Call.WordsLength : 0) || words.Any(char.IsControl)) return Refusal.OutOfRange;
        return !Calls.IsSome(People, people) ? Refusal.NotFound
            : new Decision.Accepted(new PensHeld(People, Down, Minutes == 0 ? UntilSaid : time + (Minutes * 60_000L), words), Audience.NamedAndStaff);
    }
}

/// <summary>The pens of some are to be down, or up again.</summary>
/// <param name="People">Whose. A student is told of nobody else.</param>
/// <param name="Down">Whether they are down.</param>
/// <param name="Until">Until when, server time in ms; <see cref="HoldPens.UntilSaid"/>: until they are up again.</param>
/// <param name="Words">Why, in a line for them; may be empty.</param>
[Kind(124)]
public sealed record PensHeld(ImmutableArray<int> People, bool Down, long Until, [Since(2)] string Words = "") : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => People.Contains(person);

    /// <inheritdoc/>
    public override RoomEvent AsTold(int person) => this with { People = [person] };
}
