using System.Net;
using Microsoft.AspNetCore.Hosting;
using Microsoft.EntityFrameworkCore;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Operating;

namespace Yardang.Web.Tests.Operating;

/// <summary>Who may have an account: whoever comes, who is invited, or whom the administrator gives one.</summary>
public sealed class SigningUpTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("invitation")]
    [InlineData("closed")]
    public async Task Where_sign_up_is_not_open_no_stranger_makes_an_account_or_begins_a_lesson(string signUp)
    {
        await using var school = new TestSchool(web => web.UseSetting("Yardang:SignUp", signUp));
        var stranger = school.Visitor();
        var front = await stranger.GetStringAsync("/", Stop);
        Assert.DoesNotContain("href=\"/sign-up\"", front, StringComparison.Ordinal);
        Assert.DoesNotContain("href=\"/start\"", front, StringComparison.Ordinal);
        Assert.DoesNotContain("/sign-up", await stranger.GetStringAsync("/sign-in", Stop), StringComparison.Ordinal);
        Assert.Contains("by invitation or by its administrator", await stranger.GetStringAsync("/sign-up", Stop), StringComparison.Ordinal);
        await TestSchool.PostAsync(stranger, "/", Filled("stranger@elsewhere.example"), "/sign-up");
        using (var start = await stranger.GetAsync("/start", Stop)) Assert.StartsWith("/sign-in", start.Headers.Location!.PathAndQuery, StringComparison.Ordinal);
        using (var begun = await TestSchool.PostAsync(stranger, "/", new() { ["way"] = "OneEach", ["paper"] = "Plain" }, "/start")) Assert.StartsWith("/sign-in", begun.Headers.Location!.PathAndQuery, StringComparison.Ordinal);
        Assert.Equal(0, await AccountsAsync(school));
    }

    [Fact]
    public async Task The_administrator_makes_the_first_account_and_its_owner_chooses_the_password()
    {
        await using var school = new TestSchool(web => web.UseSetting("Yardang:SignUp", "closed").UseSetting("Yardang:Address", "https://yardang.ostlebrook.example/"));
        var made = await OperatorCommands.DoAsync(["account", "add", "Ilse Varga", "varga@ostlebrook.example"], school.Get<IServiceProvider>());
        Assert.True(made.IsDone, made.Said);
        var link = made.Said.Split('\n')[^1];
        Assert.StartsWith("https://yardang.ostlebrook.example/reset?", link, StringComparison.Ordinal);
        var varga = school.Visitor();
        var path = new Uri(link).PathAndQuery;
        var query = System.Web.HttpUtility.ParseQueryString(new Uri(link).Query);
        using (var chosen = await TestSchool.PostAsync(varga, path, new() { ["teacher"] = query["teacher"]!, ["token"] = query["token"]!, ["password"] = "bridge-over-brook" }, "/reset")) Assert.Equal("/desk", chosen.Headers.Location!.ToString());
        using (var desk = await varga.GetAsync("/desk", Stop)) Assert.Equal(HttpStatusCode.OK, desk.StatusCode);
        using (var start = await varga.GetAsync("/start", Stop)) Assert.Equal(HttpStatusCode.OK, start.StatusCode);

        // No second one for the same address, none without a name; another link for who has forgotten the password.
        foreach (var (name, email) in new[] { ("Ilse Varga", "varga@ostlebrook.example"), (" ", "other@ostlebrook.example"), ("Ana Duarte", "no address") })
        {
            var refused = await OperatorCommands.DoAsync(["account", "add", name, email], school.Get<IServiceProvider>());
            Assert.False(refused.IsDone, refused.Said);
        }

        Assert.Equal(1, await AccountsAsync(school));
        Assert.True((await OperatorCommands.DoAsync(["account", "link", "varga@ostlebrook.example"], school.Get<IServiceProvider>())).IsDone);
        Assert.False((await OperatorCommands.DoAsync(["account", "link", "nobody@ostlebrook.example"], school.Get<IServiceProvider>())).IsDone);
        Assert.False((await OperatorCommands.DoAsync(["account", "invite", "nobody@ostlebrook.example"], school.Get<IServiceProvider>())).IsDone);
    }

    [Fact]
    public async Task An_invitation_makes_the_account_of_one_address_and_is_used_up_then()
    {
        await using var school = new TestSchool(web => web.UseSetting("Yardang:SignUp", "invitation"));
        var first = await OperatorCommands.DoAsync(["account", "add", "Ilse Varga", "varga@ostlebrook.example"], school.Get<IServiceProvider>());
        var query = System.Web.HttpUtility.ParseQueryString(new Uri(first.Said.Split('\n')[^1]).Query);
        var varga = school.Visitor();
        await TestSchool.PostAsync(varga, "/", new() { ["teacher"] = query["teacher"]!, ["token"] = query["token"]!, ["password"] = "bridge-over-brook" }, "/reset");

        // She invites a colleague, and reads the link.
        using var invited = await TestSchool.PostAsync(varga, "/account", new() { ["colleague"] = "duarte@ostlebrook.example" }, "/account?handler=Invite");
        var page = WebUtility.HtmlDecode(await invited.Content.ReadAsStringAsync(Stop));
        var link = page[page.IndexOf("/sign-up?invitation=", StringComparison.Ordinal)..].Split('"')[0];
        Assert.Equal(link, school.Get<Invitations>().Read(Invitation(link)) is "duarte@ostlebrook.example" ? link : "");

        // Whatever address the form says, it is the invited one.
        var duarte = school.Visitor();
        Assert.Contains("duarte@ostlebrook.example", await duarte.GetStringAsync(link, Stop), StringComparison.Ordinal);
        var fields = Filled("somebody-else@elsewhere.example");
        fields["invitation"] = Invitation(link);
        using (var made = await TestSchool.PostAsync(duarte, link, fields, "/sign-up")) Assert.Equal("/desk", made.Headers.Location!.ToString());
        await using (var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop)) Assert.True(await db.Users.AnyAsync(u => u.Email == "duarte@ostlebrook.example", Stop));

        // A second time it makes nothing; nor does one that was tampered with.
        await TestSchool.PostAsync(school.Visitor(), link, new(fields), "/sign-up");
        fields["invitation"] = $"{Invitation(link)[..^3]}AAA";
        using (var forged = await TestSchool.PostAsync(school.Visitor(), "/", new(fields), "/sign-up")) Assert.Contains("does not hold any more", await forged.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Equal(2, await AccountsAsync(school));

        // Nobody is invited twice who has an account, nor at no address; and one's own work is not thrown away for it.
        foreach (var address in new[] { "varga@ostlebrook.example", "no address", "" })
        {
            using var refused = await TestSchool.PostAsync(varga, "/account", new() { ["colleague"] = address }, "/account?handler=Invite");
            Assert.DoesNotContain("/sign-up?invitation=", await refused.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        }
    }

    private static string Invitation(string link) => System.Web.HttpUtility.ParseQueryString(link.Split('?')[1])["invitation"]!;

    private static Dictionary<string, string> Filled(string email) => new() { ["name"] = "Ana Duarte", ["email"] = email, ["password"] = "bridge-over-brook" };

    private static async Task<int> AccountsAsync(TestSchool school)
    {
        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        return await db.Users.CountAsync(Stop);
    }
}
