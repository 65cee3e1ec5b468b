using Yardang.Core.Activities;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Tests of walls that a teacher has handed out.</summary>
public abstract class WallLessons : IAsyncLifetime
{
    private protected TestSchool School { get; } = new();

    /// <summary>The teacher's browser.</summary>
    private protected HttpClient Varga { get; private set; } = null!;

    private protected Guid Teacher { get; private set; }

    private protected static CancellationToken Stop => TestContext.Current.CancellationToken;

    public virtual async ValueTask InitializeAsync() => (Varga, Teacher) = await School.TeacherAsync("Ilse Varga");

    public async ValueTask DisposeAsync()
    {
        await School.DisposeAsync();
        GC.SuppressFinalize(this);
    }

    /// <summary>One wall for all.</summary>
    private protected async Task<(LessonRecord Lesson, Guid Wall)> HandOutAsync(WallPlan plan, string name = "What we know")
    {
        var activity = await School.Get<ActivityMaking>().CreateAsync(Teacher, ActivityContent.BlankWall("en", name) with { Parts = [new Part(1, PartKind.Wall, plan)] });
        var lesson = await School.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: Way.AllTogether), "en");
        return (lesson, await School.TogetherAsync(lesson));
    }
}
