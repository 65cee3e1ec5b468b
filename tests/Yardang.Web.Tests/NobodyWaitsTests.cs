using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.SignalR;
using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests;

/// <summary>A request that was given up stops, unless it changes something or others wait for it too.</summary>
public sealed class NobodyWaitsTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private LessonRecord _lesson = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        var (_, id) = await _school.TeacherAsync("Ilse Varga");
        (_, _lesson) = await _school.HandOutAsync(id);
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task A_page_that_nobody_waits_for_reads_nothing_more() =>
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => GivenUpAsync("GET", ReadAsync));

    [Fact]
    public async Task What_changes_something_is_carried_through() => Assert.Equal(1, await GivenUpAsync("POST", ReadAsync));

    [Fact]
    public async Task A_live_connection_is_no_page() => Assert.Equal(1, await GivenUpAsync("GET", ReadAsync, new HubMetadata(typeof(RoomHub))));

    [Fact]
    public async Task A_room_and_a_version_that_somebody_asked_for_first_and_did_not_wait_for_are_there_for_others()
    {
        var hosts = _school.Get<RoomHosts>();
        await hosts.PutAwayAsync(TimeSpan.Zero);
        Assert.NotNull(await GivenUpAsync("GET", () => hosts.FindAsync(_lesson.Id)));
        Assert.NotNull(await GivenUpAsync("GET", () => _school.Get<FrozenVersions>().OfAsync(_lesson.VersionId)));
    }

    private async Task<int> ReadAsync()
    {
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        return await db.Lessons.CountAsync(CancellationToken.None);
    }

    // As within a request that its sender has given up.
    private async Task<T> GivenUpAsync<T>(string method, Func<Task<T>> work, params object[] metadata)
    {
        using var gone = new CancellationTokenSource();
        await gone.CancelAsync();
        var context = new DefaultHttpContext { RequestAborted = gone.Token };
        context.Request.Method = method;
        context.SetEndpoint(new Endpoint(null, new EndpointMetadataCollection(metadata), null));
        var requests = _school.Get<IHttpContextAccessor>();
        requests.HttpContext = context;
        try
        {
            return await work();
        }
        finally
        {
            requests.HttpContext = null;
        }
    }
}
