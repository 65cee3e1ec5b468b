using Microsoft.EntityFrameworkCore;
using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Headless.SimulatedClass;
using Yardang.Web.Rooms;
using Yardang.Web.Storage;

namespace Yardang.Web.Demo;

/// <summary>Ms Varga answers one of the questions of "Bridge questions" by voice, once it is asked.</summary>
public sealed class SpokenAnswer(RoomHosts hosts, RoomMedia media, IDbContextFactory<SchoolContext> school)
{
    private const string Question = "Who decides how much a bridge must carry?";
    private static readonly Recorded s_said = new("voice", "The law says what it must carry at least: a crowd, snow, and a storm. An engineer works it out, and another one checks it.");
    private static readonly TimeSpan s_look = TimeSpan.FromSeconds(1);

    /// <summary>As soon as it is asked.</summary>
    public async Task GiveAsync(Guid lesson, CancellationToken stop)
    {
        while (!await TryAsync(lesson, stop)) await Task.Delay(s_look, stop);
    }

    /// <summary>Whether it was asked, and is answered now.</summary>
    public async Task<bool> TryAsync(Guid lesson, CancellationToken stop)
    {
        await using var db = await school.CreateDbContextAsync(stop);
        var room = await db.RoomsOf(lesson).Where(r => r.Whose == Whose.Together).Select(r => r.Id).SingleAsync(stop);
        var wall = await hosts.GetAsync(room);
        Card? asked = null;
        await wall.LookAsync(r => asked = ((Wall)r).Cards.Values.FirstOrDefault(c => c.IsUp && c.Text.Equals(Question, StringComparison.Ordinal)), stop);
        if (asked is null) return false;
        var kept = await media.KeepAsync(room, s_said.File, stop);
        var client = ((ClientAdmitted)(await wall.SubmitAsync(new AdmitClient(), Actor.Owner, stop)).Envelope!.Event).Number;
        var answer = Ids.Of(client, 1);
        await wall.SubmitAsync(new Submission(client, 1, 0, 0, new GiveAnswer(asked.Id, answer, 0, "en", s_said.Words, Shown: ((VoiceAttachment)s_said.As(kept.Name, "")) with { Words = "" })), Actor.Owner, stop);
        await wall.SubmitAsync(new Submission(client, 2, 1, 0, new FileQuestion(asked.Id, answer)), Actor.Owner, stop);
        return true;
    }
}
