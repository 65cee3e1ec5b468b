using System.Net;
using System.Diagnostics;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.SignalR.Client;
using Yardang.Core.Activities;
using Yardang.Core.Interchange;

namespace Yardang.Bench;

/// <summary>Yardang as it is, in a process of its own with a data folder of its own: accounts, codes, SQLite on disk.</summary>
public sealed partial class YardangServer : IAsyncDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("yardang-bench-").FullName;

    public Uri Address { get; } = ServerProcess.FreeAddress();

    public Process Process { get; private set; } = null!;

    public async Task StartAsync()
    {
        var web = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../../src/Yardang.Web"));
        var configuration = AppContext.BaseDirectory.Contains("/Release/", StringComparison.Ordinal) ? "Release" : "Debug";
        Process = await ServerProcess.StartAsync(Address, web, [Path.Combine(web, $"bin/{configuration}/net10.0/linux-x64/Yardang.Web.dll")], new Dictionary<string, string>
        {
            ["ASPNETCORE_URLS"] = Address.ToString(),
            ["ASPNETCORE_ENVIRONMENT"] = "Development",
            ["Yardang__Data"] = _folder,
            ["Logging__LogLevel__Default"] = "None",
        });
    }

    public async ValueTask DisposeAsync()
    {
        Process.Kill();
        await Process.WaitForExitAsync();
        Process.Dispose();
        Directory.Delete(_folder, recursive: true);
    }

    public async Task<HubConnection> ConnectAsync(string query, CookieContainer cookies)
    {
        var hub = new HubConnectionBuilder().WithUrl(new Uri(Address, $"/live{query}"), o => o.Cookies = cookies).AddMessagePackProtocol().Build();
        await hub.StartAsync();
        return hub;
    }

    /// <summary>Signs a teacher up and hands a new activity out: a page, or a wall.</summary>
    public async Task<(CookieContainer Cookies, string Code, string Lesson)> HandOutAsync(string way, bool isWall = false)
    {
        var cookies = await SignUpAsync();
        using var http = Browser(cookies);
        var (code, lesson) = await HandOutAsync(http, await PostAsync(http, "/desk", [], isWall ? "/desk?handler=NewWall" : "/desk?handler=New"), way);
        return (cookies, code, lesson);
    }

    /// <summary>Hands out an activity that is brought in as an archive.</summary>
    public async Task<(string Code, string Lesson)> HandOutAsync(CookieContainer teacher, string way, ActivityContent activity)
    {
        using var http = Browser(teacher);
        using var form = new MultipartFormDataContent
        {
            { new StringContent(TokenPattern().Match(await http.GetStringAsync("/desk")).Groups["token"].Value), "__RequestVerificationToken" },
            { new ByteArrayContent(ActivityArchive.Write(activity, _ => null)), "archive", "activity.yardang.zip" },
        };
        return await HandOutAsync(http, await http.PostAsync("/desk?handler=Import", form), way);
    }

    private async Task<CookieContainer> SignUpAsync()
    {
        var cookies = new CookieContainer();
        using var http = Browser(cookies);
        await PostAsync(http, "/sign-up", new() { ["name"] = "Ilse Varga", ["email"] = "varga@ostlebrook.example", ["password"] = "bridge-over-brook" });
        return cookies;
    }

    private static async Task<(string Code, string Lesson)> HandOutAsync(HttpClient http, HttpResponseMessage workshop, string way)
    {
        var activity = workshop.RequestMessage!.RequestUri!.Segments[^1];
        var code = await PostAsync(http, $"/hand-out/{activity}", new() { ["className"] = "7 Amber", ["door"] = "Open", ["way"] = way });
        var lesson = code.RequestMessage!.RequestUri!.Segments[2].TrimEnd('/');
        return (CodePattern().Match(await code.Content.ReadAsStringAsync()).Groups["code"].Value, lesson);
    }

    public async Task<(CookieContainer Cookies, Dictionary<string, string> Page)> JoinAsync(string code, string name)
    {
        var cookies = new CookieContainer();
        using var http = Browser(cookies);
        var address = (await PostAsync(http, $"/join/{code}", new() { ["name"] = name })).RequestMessage!.RequestUri!;
        return (cookies, new() { ["board"] = address.Segments[^1], ["as"] = address.Query.Split('=')[1] });
    }

    public HttpClient Browser(CookieContainer cookies) => new(new HttpClientHandler { CookieContainer = cookies }) { BaseAddress = Address };

    /// <summary>Fills in the form of a page and sends it, there or elsewhere.</summary>
    public static async Task<HttpResponseMessage> PostAsync(HttpClient http, string form, Dictionary<string, string> fields, string? to = null)
    {
        fields["__RequestVerificationToken"] = TokenPattern().Match(await http.GetStringAsync(form)).Groups["token"].Value;
        return await http.PostAsync(to ?? form, new FormUrlEncodedContent(fields));
    }

    [GeneratedRegex("""name="__RequestVerificationToken" type="hidden" value="(?<token>[^"]+)""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex TokenPattern();

    [GeneratedRegex("""data-code="(?<code>[^"]+)""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex CodePattern();
}
