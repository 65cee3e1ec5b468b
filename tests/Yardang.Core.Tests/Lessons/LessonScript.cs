using Yardang.Core.Lessons;
using Yardang.Core.Rooms;

namespace Yardang.Core.Tests.Lessons;

/// <summary>A lesson with people in it (numbers from 2 on), and the log of what happened.</summary>
internal sealed class LessonScript
{
    public LessonScript(int people)
    {
        Do(new OpenLesson(), Actor.Program);
        for (var i = 0; i < people; i++) Do(new Join(), Actor.Program);
    }

    public Lesson Lesson { get; } = new();

    public List<Envelope> Log { get; } = [];

    /// <summary>The time of the next event, ms, if it is not as usual: one more than of that before.</summary>
    public long? Now { get; set; }

    public Decision Do(Command command, Actor actor)
    {
        var client = Lesson.Clients.FirstOrDefault(c => c.Value.Actor == actor.Number).Key;
        if (client == 0 && actor.Role != Role.Program && !actor.LooksOnly)
        {
            Take(new Submission(0, 0, 0, 0, new AdmitClient()), actor);
            client = Lesson.Clients.Keys.Last();
        }

        var counter = client == 0 ? 0 : Lesson.Clients[client].HighWater + 1;
        return Take(new Submission(client, counter, Math.Max(0, counter - 1), 0, command), actor);
    }

    private Decision Take(Submission submission, Actor actor)
    {
        var decision = Lesson.Decide(submission, actor, new Situation(Allowed.Everything, Now ?? 1_000 + Lesson.Number, 0));
        if (decision is Decision.Accepted accepted)
        {
            var envelope = new Envelope(Lesson.Number + 1, Now ?? 1_000 + Lesson.Number, actor, submission.Client, submission.Counter, 0, accepted.Audience, accepted.Event);
            Log.Add(envelope);
            Lesson.Apply(envelope);
        }

        return decision;
    }
}
