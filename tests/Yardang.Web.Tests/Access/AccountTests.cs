using System.Net;
using System.Web;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Lessons;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Mail;

namespace Yardang.Web.Tests.Access;

/// <summary>Passwords changed and forgotten; co-teachers invited.</summary>
public sealed class AccountTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private HttpClient _varga = null!;
    private Guid _vargaId;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync() => (_varga, _vargaId) = await _school.TeacherAsync("Ilse Varga");

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task A_new_password_takes_the_place_of_the_old_one()
    {
        Assert.Contains("The new password holds", await BodyAsync(_varga, "/account", "/account?handler=Password", new() { ["now"] = "bridge-over-brook", ["password"] = "arch-over-river" }));
        var email = await EmailAsync();
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync(email, "bridge-over-brook")).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(email, "arch-over-river")).StatusCode);
    }

    [Theory]
    [InlineData("not-my-password", "arch-over-river", "The password now is another one")]
    [InlineData("bridge-over-brook", "short", "10")]
    public async Task A_password_is_changed_only_by_who_knows_it_and_to_one_that_is_long_enough(string now, string wanted, string said)
    {
        Assert.Contains(said, await BodyAsync(_varga, "/account", "/account?handler=Password", new() { ["now"] = now, ["password"] = wanted }));
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(await EmailAsync(), "bridge-over-brook")).StatusCode);
    }

    [Fact]
    public async Task A_forgotten_password_is_set_anew_with_the_link_in_the_outbox_and_only_once()
    {
        var visitor = _school.Visitor();
        await BodyAsync(visitor, "/forgot", "/forgot", new() { ["email"] = await EmailAsync() });
        var link = Assert.Single(await _school.Get<Outbox>().AllAsync()).Link;
        var query = HttpUtility.ParseQueryString(link.Split('?')[1]);
        Dictionary<string, string> Fields() => new() { ["teacher"] = query["teacher"]!, ["token"] = query["token"]!, ["password"] = "arch-over-river" };
        using (var set = await TestSchool.PostAsync(visitor, link, Fields())) Assert.Equal("/desk", set.Headers.Location!.ToString());
        Assert.Equal(HttpStatusCode.OK, (await visitor.GetAsync("/desk", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(await EmailAsync(), "arch-over-river")).StatusCode);
        using var again = await TestSchool.PostAsync(_school.Visitor(), link, Fields());
        Assert.Contains("no longer holds", await again.Content.ReadAsStringAsync(Stop));
    }

    [Fact]
    public async Task Who_asks_for_an_address_without_an_account_reads_the_same_and_nothing_is_sent()
    {
        var (known, unknown) = (_school.Visitor(), _school.Visitor());
        var toKnown = await BodyAsync(known, "/forgot", "/forgot", new() { ["email"] = await EmailAsync() });
        var toUnknown = await BodyAsync(unknown, "/forgot", "/forgot", new() { ["email"] = "nobody@ostlebrook.example" });
        Assert.Equal(WithoutToken(toKnown), WithoutToken(toUnknown));
        Assert.Single(await _school.Get<Outbox>().AllAsync());
    }

    // Of 300 accounts from here, Ms Varga has made the first.
    [Theory]
    [InlineData("/forgot", 20)]
    [InlineData("/sign-up", 299)]
    public async Task Whoever_asks_for_links_or_accounts_again_and_again_has_to_wait_and_is_told_so(string page, int most)
    {
        var visitor = _school.Visitor();
        var token = TestSchool.TokenIn(await visitor.GetStringAsync(page, Stop));
        for (var i = 0; i <= most; i++)
        {
            using var form = new FormUrlEncodedContent(new Dictionary<string, string>(StringComparer.Ordinal) { ["email"] = "nobody@ostlebrook.example", ["__RequestVerificationToken"] = token });
            using var answer = await visitor.PostAsync(page, form, Stop);
            Assert.Equal(i < most ? HttpStatusCode.OK : HttpStatusCode.TooManyRequests, answer.StatusCode);
            if (i == most) Assert.Contains("wait some minutes", await answer.Content.ReadAsStringAsync(Stop));
        }

        Assert.Equal(HttpStatusCode.OK, (await visitor.GetAsync(page, Stop)).StatusCode);
    }

    [Fact]
    public async Task Colleagues_are_invited_with_a_pasted_list_and_find_the_lesson_on_their_desks()
    {
        var (_, lesson) = await _school.HandOutAsync(_vargaId);
        using (await InviteAsync(lesson.Id, "Tobi Adeyemi <adeyemi@ostlebrook.example>; lindgarde@ostlebrook.example\nAdeyemi@ostlebrook.example", "Watches"))
        {
            Assert.Equal(2, (await _school.Get<CoTeaching>().OfAsync(lesson.Id)).Count);
        }

        var mail = (await _school.Get<Outbox>().AllAsync()).Single(m => m.To.StartsWith("adeyemi", StringComparison.Ordinal));
        var unknown = await _school.Visitor().GetStringAsync(mail.Link, Stop);
        Assert.Contains(lesson.Name, unknown);
        Assert.Contains("Ilse Varga invites you.", unknown);
        Assert.Contains("/sign-up?returnUrl=%2Finvited%3Fkey%3D", unknown);
        Assert.DoesNotContain("<form method=\"post\">", unknown);

        var (adeyemi, _) = await _school.TeacherAsync("Tobi Adeyemi");
        Assert.Equal(HttpStatusCode.NotFound, (await adeyemi.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
        using (var accepted = await TestSchool.PostAsync(adeyemi, mail.Link, new() { ["key"] = HttpUtility.ParseQueryString(mail.Link.Split('?')[1])["key"]! }, "/invited")) Assert.Equal($"/lesson/{lesson.Id}", accepted.Headers.Location!.ToString());
        Assert.Contains("You watch this lesson", await adeyemi.GetStringAsync($"/lesson/{lesson.Id}", Stop));
        Assert.Contains("by Ilse Varga", await adeyemi.GetStringAsync("/desk", Stop));

        // The link was used: it lets nobody else in.
        var (other, _) = await _school.TeacherAsync("Rafael Monteiro");
        Assert.Contains("Somebody else has accepted", await BodyAsync(other, mail.Link, "/invited", new() { ["key"] = HttpUtility.ParseQueryString(mail.Link.Split('?')[1])["key"]! }));
    }

    [Fact]
    public async Task What_is_no_address_is_named_and_the_others_are_invited()
    {
        var (_, lesson) = await _school.HandOutAsync(_vargaId);
        using var answer = await InviteAsync(lesson.Id, "adeyemi@ostlebrook.example, lindgarde@, @brook", "Runs");
        Assert.Contains("no e-mail addresses: lindgarde@, @brook", await answer.Content.ReadAsStringAsync(Stop));
        Assert.Single(await _school.Get<CoTeaching>().OfAsync(lesson.Id));
    }

    [Fact]
    public async Task An_address_alone_opens_nothing()
    {
        var (_, lesson) = await _school.HandOutAsync(_vargaId);
        var coTeaching = _school.Get<CoTeaching>();
        await coTeaching.InviteAsync((await coTeaching.FindAsync(lesson.Id))!, "Ilse Varga", [(await SignedUpAsync()).Email], CoTeacherRole.Runs);
        Assert.Equal(HttpStatusCode.NotFound, (await (await SignedUpAsync()).Browser.GetAsync($"/lesson/{lesson.Id}", Stop)).StatusCode);
        Assert.Contains("no longer holds", await (await SignedUpAsync()).Browser.GetStringAsync("/invited?key=made-up", Stop));
    }

    [Fact]
    public async Task Who_may_change_an_activity_hands_it_out_to_lessons_of_their_own()
    {
        var (activity, _) = await _school.HandOutAsync(_vargaId);
        var (adeyemi, adeyemiId) = await _school.TeacherAsync("Tobi Adeyemi");
        var coTeaching = _school.Get<CoTeaching>();
        await coTeaching.InviteAsync((await coTeaching.FindAsync(activity.Id))!, "Ilse Varga", ["adeyemi@ostlebrook.example"], CoTeacherRole.Runs);
        await coTeaching.AcceptAsync((await coTeaching.OfAsync(activity.Id))[0].Record, adeyemiId);
        using var handed = await TestSchool.PostAsync(adeyemi, $"/hand-out/{activity.Id}", new() { ["className"] = "7 Birch", ["way"] = "OneEach", ["door"] = "Open" });
        var code = handed.Headers.Location!.ToString();
        Assert.Equal(HttpStatusCode.OK, (await adeyemi.GetAsync(code, Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await _varga.GetAsync(code, Stop)).StatusCode);
    }

    [Fact]
    public async Task An_address_of_ones_own_choice_leads_to_the_lesson()
    {
        var (_, lesson) = await _school.HandOutAsync(_vargaId);
        using (await TestSchool.PostAsync(_varga, $"/lesson/{lesson.Id}/code", new() { ["address"] = "Bridges 7 Amber" }))
        {
            using var there = await _school.Visitor().GetAsync("/to/bridges-7-amber", Stop);
            Assert.Equal($"/join/{lesson.Code}", there.Headers.Location!.ToString());
        }

        using (var typed = await TestSchool.PostAsync(_school.Visitor(), "/", new() { ["code"] = "bridges-7-amber" })) Assert.Equal($"/join/{lesson.Code}", typed.Headers.Location!.ToString());
        var (_, other) = await _school.HandOutAsync(_vargaId);
        Assert.Contains("leads to another lesson", await BodyAsync(_varga, $"/lesson/{other.Id}/code", $"/lesson/{other.Id}/code", new() { ["address"] = "bridges-7-amber" }));
        Assert.Contains("4 to 40 letters", await BodyAsync(_varga, $"/lesson/{other.Id}/code", $"/lesson/{other.Id}/code", new() { ["address"] = "b/7" }));
        using var nowhere = await _school.Visitor().GetAsync("/to/tunnels", Stop);
        Assert.Equal("/?nowhere=True", nowhere.Headers.Location!.ToString());
    }

    [Fact]
    public async Task The_address_of_a_closed_lesson_is_free_for_the_next_one_of_the_same_teacher()
    {
        var joining = _school.Get<Joining>();
        var (_, first) = await _school.HandOutAsync(_vargaId);
        var (_, second) = await _school.HandOutAsync(_vargaId);
        Assert.True(await joining.SetAddressAsync(first, LessonAddress.Read("bridges")));
        Assert.False(await joining.SetAddressAsync(second, LessonAddress.Read("bridges")));
        await using (var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop))
        {
            await db.Lessons.Where(l => l.Id == first.Id).ExecuteUpdateAsync(l => l.SetProperty(x => x.ClosedAt, DateTimeOffset.UnixEpoch), Stop);
        }

        Assert.True(await joining.SetAddressAsync(second, LessonAddress.Read("bridges")));
        Assert.Equal(second.Id, (await joining.FindByAddressAsync("bridges"))!.Id);
    }

    private static string WithoutToken(string page) => System.Text.RegularExpressions.Regex.Replace(page, "value=\"[^\"]{40,}\"", "", System.Text.RegularExpressions.RegexOptions.None, TimeSpan.FromSeconds(1));

    private static async Task<string> BodyAsync(HttpClient browser, string path, string to, Dictionary<string, string> fields)
    {
        using var answer = await TestSchool.PostAsync(browser, path, fields, to);
        return await answer.Content.ReadAsStringAsync(Stop);
    }

    private Task<HttpResponseMessage> InviteAsync(Guid lesson, string emails, string role) =>
        TestSchool.PostAsync(_varga, $"/helpers/{lesson}", new() { ["emails"] = emails, ["role"] = role });

    private Task<HttpResponseMessage> SignInAsync(string email, string password) =>
        TestSchool.PostAsync(_school.Visitor(), "/sign-in", new() { ["email"] = email, ["password"] = password });

    private async Task<string> EmailAsync()
    {
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        return (await db.Users.SingleAsync(u => u.Id == _vargaId, Stop)).Email!;
    }

    private (HttpClient Browser, string Email)? _signedUp;

    private async Task<(HttpClient Browser, string Email)> SignedUpAsync()
    {
        if (_signedUp is { } known) return known;
        var (browser, id) = await _school.TeacherAsync("Somebody");
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        _signedUp = (browser, (await db.Users.SingleAsync(u => u.Id == id, Stop)).Email!);
        return _signedUp.Value;
    }
}
