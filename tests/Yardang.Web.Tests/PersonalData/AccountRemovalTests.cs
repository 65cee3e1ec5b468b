using System.Net;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Data.Log;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Tests.PersonalData;

/// <summary>A teacher goes, and nothing of theirs stays.</summary>
public sealed class AccountRemovalTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task With_the_account_go_its_lessons_and_their_people_and_what_a_colleague_has_stays()
    {
        var (varga, owner) = await _school.TeacherAsync("Ilse Varga");
        var (adeyemi, other) = await _school.TeacherAsync("Tobi Adeyemi");
        var (_, lesson) = await _school.HandOutAsync(owner);
        var (_, others) = await _school.HandOutAsync(other);
        var (maya, board) = await _school.StudentAsync(lesson.Code, "Maya");
        var coTeaching = _school.Get<CoTeaching>();
        var shared = (await coTeaching.FindAsync(others.Id))!;
        await coTeaching.InviteAsync(shared, "Tobi Adeyemi", ["varga@ostlebrook.example"], CoTeacherRole.Runs);
        await coTeaching.AcceptAsync((await coTeaching.OfAsync(others.Id))[0].Record, owner);
        Assert.Contains("lessons: 1,", await varga.GetStringAsync("/account", Stop), StringComparison.Ordinal);

        using var gone = await DeleteAsync(varga, "bridge-over-brook", sure: true);
        Assert.Equal("/?left=true", gone.Headers.Location!.ToString());
        Assert.Contains("Your account is deleted", await varga.GetStringAsync("/?left=true", Stop), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Redirect, (await varga.GetAsync("/desk", Stop)).StatusCode);
        Assert.NotEqual(HttpStatusCode.OK, (await maya.GetAsync(board, Stop)).StatusCode);
        Assert.Equal(0, _school.Get<IEventStore>().LastNumber(lesson.Id));
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        Assert.Equal([other], await db.Users.Select(u => u.Id).ToListAsync(Stop));
        Assert.Equal([others.Id], await db.Lessons.Select(l => l.Id).ToListAsync(Stop));
        Assert.Equal(0, await db.CoTeachers.CountAsync(Stop) + await db.Participants.CountAsync(Stop));
        Assert.Equal(HttpStatusCode.OK, (await adeyemi.GetAsync($"/lesson/{others.Id}", Stop)).StatusCode);
    }

    [Theory]
    [InlineData("not the password", true, "The password now is another one")]
    [InlineData("bridge-over-brook", false, "Tick that you are sure")]
    public async Task Without_the_password_or_without_being_sure_nothing_is_deleted(string password, bool sure, string said)
    {
        var (varga, owner) = await _school.TeacherAsync("Ilse Varga");
        await _school.HandOutAsync(owner);
        using var answer = await DeleteAsync(varga, password, sure);
        Assert.Contains(said, await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        Assert.Equal(2, await db.Users.CountAsync(Stop) + await db.Lessons.CountAsync(Stop));
    }

    private static Task<HttpResponseMessage> DeleteAsync(HttpClient teacher, string password, bool sure) =>
        TestSchool.PostAsync(teacher, "/account", new() { ["own"] = password, ["sure"] = sure ? "true" : "" }, "/account?handler=Delete");
}
