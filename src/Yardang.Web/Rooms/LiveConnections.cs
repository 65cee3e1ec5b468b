using System.Collections.Concurrent;
using Yardang.Web.Access;

namespace Yardang.Web.Rooms;

/// <summary>How many live connections one person may hold: as many tabs as anybody has open, and too few to wear the server out.</summary>
public sealed class LiveConnections
{
    /// <summary>Of a student.</summary>
    public const int OfStudent = 20;

    /// <summary>Of a teacher, over all their devices.</summary>
    public const int OfTeacher = 80;

    /// <summary>Of those at one address to whom a board is shown elsewhere.</summary>
    public const int OfOnlookers = 400;

    private readonly ConcurrentDictionary<string, int> _open = new(StringComparer.Ordinal);

    /// <summary>Whose connection it is, and how many of these there may be.</summary>
    public static (string Who, int Most) Of(HttpContext context) => Visitor.Of(context) switch
    {
        { Embed: not null } => ($"onlookers {SourceAddress.Of(context)}", OfOnlookers),
        { As: { } participant } => ($"student {participant}", OfStudent),
        var visitor => ($"teacher {visitor.TeacherId}", OfTeacher),
    };

    /// <summary>How many there are.</summary>
    public int Open => _open.Values.Sum();

    /// <summary>One more. False if there are too many already.</summary>
    public bool Enter(string who, int most)
    {
        if (_open.AddOrUpdate(who, 1, (_, open) => open + 1) <= most) return true;
        Leave(who);
        return false;
    }

    /// <summary>One less.</summary>
    public void Leave(string who)
    {
        if (_open.AddOrUpdate(who, 0, (_, open) => open - 1) <= 0) _open.TryRemove(new(who, 0));
    }
}
