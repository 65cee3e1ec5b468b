using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>
/// Where names are hidden from students, lets out what they did together, once several have done something (<see cref="LetOut.IsDue"/>). What waits for more is
/// for the teacher to let out.
/// </summary>
public sealed class LettingOut(Followers followers)
{
    // What comes meanwhile comes along: the longer, the less it tells who was just writing.
    private static readonly TimeSpan s_gathering = TimeSpan.FromSeconds(4);

    /// <summary>Follows a wall as long as its host runs.</summary>
    public void Begin(RoomHost wall) => followers.Begin($"What comes out on wall {wall.Id}", (_, caughtUp) => FollowAsync(wall, caughtUp), wall.Finished);

    private static async Task FollowAsync(RoomHost wall, Action caughtUp)
    {
        var through = await LetOutAsync(wall);
        caughtUp();
        await foreach (var envelope in wall.FollowAsync(through, wall.Finished))
        {
            if (envelope.Number <= through || envelope.Event is CardsLetOut || wall.NamesHidden is null) continue;
            if (!envelope.Actor.IsStaff) await Task.Delay(s_gathering, wall.Finished);
            through = await LetOutAsync(wall);
        }
    }

    // Gives the number of the event up to which it was looked.
    private static async Task<long> LetOutAsync(RoomHost wall)
    {
        var isDue = false;
        var through = await wall.LookAsync(r => isDue = ((Wall)r).Out is { IsDue: true });
        if (isDue) await wall.SubmitAsync(new LetCardsOut(), Actor.Program);
        return through;
    }
}
