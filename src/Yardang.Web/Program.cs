using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Localization;
using Microsoft.AspNetCore.SignalR;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.History;
using Yardang.Core.Rooms;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web;
using Yardang.Web.Access;
using Yardang.Web.BigScreen;
using Yardang.Web.ClassLists;
using Yardang.Web.Demo;
using Yardang.Web.Exports;
using Yardang.Web.History;
using Yardang.Web.Lessons;
using Yardang.Web.Links;
using Yardang.Web.Mail;
using Yardang.Web.Media;
using Yardang.Web.Moderation;
using Yardang.Web.Needs;
using Yardang.Web.Operating;
using Yardang.Web.Pages;
using Yardang.Web.PersonalData;
using Yardang.Web.PictureSearch;
using Yardang.Web.QuickStart;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;
using Yardang.Web.Storage;

DataFolder.KeepToOneself();

// What is published has its files beside it, wherever it is started from.
var published = Directory.Exists(Path.Combine(AppContext.BaseDirectory, "wwwroot", "dist")) ? AppContext.BaseDirectory : null;
var isCommand = OperatorCommands.IsOne(args);
var builder = WebApplication.CreateBuilder(new WebApplicationOptions { Args = isCommand ? [] : args, ContentRootPath = published });
try
{
    builder.Configuration.AddSettingsFile();
}
catch (IOException e)
{
    Environment.ExitCode = await OperatorCommands.SayAsync(Outcome.Refused(e.Message));
    return;
}

if (Settings.Faults(builder.Configuration) is { Count: > 0 } faults)
{
    Environment.ExitCode = await OperatorCommands.SayAsync(Outcome.Refused(string.Join('\n', faults)));
    return;
}

if (isCommand && await OperatorCommands.TryAsync(args, builder.Configuration) is { } outcome)
{
    Environment.ExitCode = await OperatorCommands.SayAsync(outcome);
    return;
}

var services = builder.Services;
services.AddSystemd();
builder.Logging.LeaveOutAddresses();
if (isCommand) builder.Logging.SetMinimumLevel(LogLevel.Warning).AddFilter(null, LogLevel.Warning);

services.AddSingleton(FixedClock.From(builder.Configuration) ?? TimeProvider.System);
services.AddSingleton<DataFolder>();
services.AddSingleton<DiskHealth>();
services.AddHttpContextAccessor();
// What cannot be read is the asker's mistake, wherever the program runs.
services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = false);
services.AddSingleton<NobodyWaits>();
services.AddDbContextFactory<SchoolContext>((provider, options) => options
    .UseSqlite($"Data Source={provider.GetRequiredService<DataFolder>().SchoolFile}")
    .AddInterceptors(new SqlitePragmas(), provider.GetRequiredService<NobodyWaits>()));
var keys = services.AddDataProtection().SetApplicationName("Yardang");
if (builder.Configuration["Yardang:KeyCertificate"] is { Length: > 0 } certificate)
{
    keys.ProtectKeysWithCertificate(System.Security.Cryptography.X509Certificates.X509CertificateLoader.LoadPkcs12FromFile(certificate, builder.Configuration["Yardang:KeyCertificatePassword"]));
}

services.AddOptions<Microsoft.AspNetCore.DataProtection.KeyManagement.KeyManagementOptions>().Configure<DataFolder, ILoggerFactory>((options, folder, logging) =>
    options.XmlRepository = new Microsoft.AspNetCore.DataProtection.Repositories.FileSystemXmlRepository(Directory.CreateDirectory(folder.Keys), logging));

services.AddSingleton<IEventStore>(provider => new SqliteEventStore(provider.GetRequiredService<DataFolder>().LogFile));
services.AddSingleton(provider => new EventLog(provider.GetRequiredService<IEventStore>()) { Wrote = provider.GetRequiredService<DiskHealth>().Wrote });
services.AddSingleton(provider =>
{
    _ = provider.GetRequiredService<IEventStore>();
    return LogIdentity.Of(provider.GetRequiredService<DataFolder>().LogFile);
});
services.AddSingleton<Followers>();
services.AddSingleton<Health>();
services.AddSingleton<ServerMetrics>();
services.AddMetricsExport(builder.Configuration);
services.AddSingleton<Invitations>();
services.AddSingleton<SchoolClock>();
services.AddSingleton<Seating>();
services.AddSingleton<FrozenVersions>();
services.AddSingleton<LateChangeShelf>();
services.AddSingleton<NamesLookedFor>();
services.AddSingleton<LessonConduct>();
services.AddSingleton<WaitingWork>();
services.AddSingleton<LettingOut>();
services.AddSingleton<BringingAlong>();
services.AddSingleton<SendingAway>();
services.AddSingleton<IRoomSource, SchoolRooms>();
services.AddSingleton<IRoomKind, DraftRooms>();
services.AddSingleton<IRoomKind, LessonRooms>();
services.AddSingleton<IRoomKind, BoardRooms>();
services.AddSingleton<IRoomKind, WallRooms>();
services.AddSingleton(provider => new RoomSupport(
    provider.GetRequiredService<EventLog>(), provider.GetRequiredService<IEventStore>(), provider.GetRequiredService<TimeProvider>(),
    provider.GetRequiredService<ILoggerFactory>().CreateLogger<RoomHost>()));
services.AddSingleton<RoomHosts>();
services.AddHostedService<RoomSweeper>();
services.AddSingleton<IProjection, DraftIndex>();
services.AddSingleton<BoardSummaries>();
services.AddSingleton<IProjection>(provider => provider.GetRequiredService<BoardSummaries>());
services.AddSingleton<Projections>();
services.AddHostedService(provider => provider.GetRequiredService<Projections>());
services.AddSingleton<SnapshotEndpoint>();
services.AddSingleton<PastRooms>();
services.AddSingleton<HistoryEndpoint>();
services.AddSingleton<RestoringEndpoint>();
services.AddSingleton<LogExport>();
services.AddSingleton<MomentsExport>();
services.AddSingleton<Trails>();
services.AddSingleton<PersonsData>();
services.AddSingleton<PersonPage>();
services.AddSingleton<QuestionsEndpoint>();
services.AddSingleton<WorthALook>();
services.AddSingleton<DealingReading>();
services.AddSingleton<Whereabouts>();
services.AddSingleton<Attention>();
services.AddSingleton<NeedsEndpoint>();
services.AddSingleton<TrayConcerns>();
services.AddSingleton<InTray>();
services.AddSingleton<InTrayEndpoint>();
services.AddSingleton<ScreenKeys>();
services.AddSingleton<Pairing>();
services.AddSingleton<ScreenEndpoint>();
services.AddSingleton<PouringOut>();
services.AddSingleton<LeftoversEndpoint>();
services.AddSingleton<ParticipantCookie>();
services.AddSingleton<AccessResolver>();
services.AddSingleton<ArchivedMedia>();
services.AddSingleton<ActivityMaking>();
services.AddSingleton<Handing>();
services.AddSingleton<LateHanding>();
services.AddSingleton<LessonClock>();
services.AddHostedService(provider => provider.GetRequiredService<LessonClock>());
services.AddHostedService(provider => provider.GetRequiredService<Attention>());
services.AddSingleton<WorkArchive>();
services.AddSingleton<ActivityShelf>();
services.AddSingleton<ClassListShelf>();
services.AddSingleton<TemplatePictures>();
services.AddSingleton<Joining>();
services.AddSingleton<JoinThrottle>();
services.AddSingleton<JoinLimit>();
services.AddSingleton<SignInThrottle>();
services.AddSingleton<TeachersCookie>();
services.AddSingleton<GuestWork>();
services.AddSingleton<MailLimit>();
services.AddProxies(builder.Configuration);
services.AddSingleton<ReentryKeys>();
services.AddSingleton<LessonPeople>();
services.AddSingleton<Contents>();
services.AddSingleton<MyPlace>();
services.AddSingleton<ExportDesk>();
services.AddSingleton<EarlierWork>();
services.AddSingleton<WallExport>().AddSingleton<TalkPages>().AddSingleton<RecordedPages>().AddSingleton<Leads>().AddSingleton<BoardExport>().AddSingleton<OwnWork>();
services.AddSingleton<SlipExport>();
services.AddSingleton(provider => new MediaStore(provider.GetRequiredService<DataFolder>().Media));
services.AddSingleton<AttachmentRights>();
services.AddSingleton<RoomFiles>().AddSingleton<MediaEndpoint>();
services.AddSingleton<Uploads>();
services.AddSingleton<UploadEndpoint>();
services.AddSingleton<MediaExport>();
services.AddUploadLimit();
services.AddAccountLimit();
services.AddSingleton<Outbox>();
services.AddSingleton<CoTeaching>();
services.AddSingleton<RoomRemoval>();
services.AddSingleton<UnusedMedia>();
services.AddSingleton(StorageLimits.Of(builder.Configuration));
services.AddSingleton<RoomMedia>();
services.AddSingleton<UnshownMedia>();
services.AddHostedService(provider => provider.GetRequiredService<UnshownMedia>());
services.AddSingleton<PersonErasure>();
services.AddHostedService(provider => provider.GetRequiredService<PersonErasure>());
services.AddSingleton<LessonRetention>();
services.AddHostedService(provider => provider.GetRequiredService<LessonRetention>());
services.AddSingleton<AccountRemoval>();
services.AddSingleton<GuestSweeper>();
services.AddHostedService(provider => provider.GetRequiredService<GuestSweeper>());
services.AddSingleton<IPictureSearch, OwnDrawings>();
services.AddSingleton(FramedSites.Of(builder.Configuration));
services.AddSingleton<ILinkPreviews>(_ => builder.Configuration.GetValue("Yardang:Links:Fetch", false) ? new FetchedPages(OutwardConnections.ToPublic()) : new SimulatedSites());
services.AddSingleton<LinkEndpoint>();
services.AddSingleton<PictureSearchEndpoint>();

services.AddIdentity<Teacher, IdentityRole<Guid>>(options =>
    {
        options.User.RequireUniqueEmail = true;
        options.Password.RequiredLength = 10;
        options.Password.RequireDigit = options.Password.RequireLowercase = options.Password.RequireUppercase = options.Password.RequireNonAlphanumeric = false;
    })
    .AddEntityFrameworkStores<SchoolContext>()
    .AddDefaultTokenProviders();

// A new password signs every other device out, within a minute.
services.Configure<SecurityStampValidatorOptions>(options => options.ValidationInterval = TimeSpan.FromMinutes(1));
services.ConfigureApplicationCookie(options =>
{
    options.Cookie.Name = "yardang-teacher";
    options.Cookie.SameSite = SameSiteMode.Lax;
    options.LoginPath = "/sign-in";
    options.ExpireTimeSpan = TimeSpan.FromDays(14);
});
if (builder.Configuration.GetValue<bool>("Yardang:Demo"))
{
    services.AddSingleton<SpokenAnswer>().AddSingleton<DemoSchool>();
    services.AddHostedService(provider => provider.GetRequiredService<DemoSchool>());
}

services.AddSignalR(options =>
{
    options.MaximumReceiveMessageSize = Limits.CommandBytes + 4_096;

    // Pages miss the server after 15 s (connection.ts): a beat or two may be late.
    options.KeepAliveInterval = TimeSpan.FromSeconds(5);
    options.AddFilter<HubFaults>();
}).AddMessagePackProtocol();
services.AddSingleton<HubFaults>();
services.AddSingleton<Strangers>();
services.AddSingleton<LiveConnections>();
builder.Logging.AddFilter(HubFaults.Framework, LogLevel.None);
services.AddLocalization(options => options.ResourcesPath = "Resources");
services.Configure<RequestLocalizationOptions>(options =>
{
    options.SetDefaultCulture(LanguageModel.Offered[0]).AddSupportedCultures(LanguageModel.Offered).AddSupportedUICultures(LanguageModel.Offered);

    // What was chosen, else what the browser asks for; never the address.
    options.RequestCultureProviders = [.. options.RequestCultureProviders.Where(p => p is not QueryStringRequestCultureProvider)];
});
services.AddRazorPages();
services.AddAntiforgery(options => options.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest);

await using var app = builder.Build();
try
{
    if (File.Exists(DataFolder.At(DataFolder.PathIn(app.Configuration)).SchoolFile) && SchoolForm.LastOf(DataFolder.At(DataFolder.PathIn(app.Configuration)).SchoolFile) is var form && !SchoolForm.Knows(form))
    {
        throw new IOException($"The data in {DataFolder.PathIn(app.Configuration)} was last used by a newer version of Yardang than this, {ProgramVersion.Text}. Install that version again, or put back the backup that was made before it (docs/running.md).");
    }

    await using var db = await app.Services.GetRequiredService<IDbContextFactory<SchoolContext>>().CreateDbContextAsync();
    await db.Database.MigrateAsync();
    app.Services.GetRequiredService<IEventStore>();
}
catch (Exception e) when (e is IOException or Microsoft.Data.Sqlite.SqliteException)
{
    // Whoever starts it reads one sentence, not where in the program it happened.
    await Console.Error.WriteLineAsync(e is IOException ? e.Message : $"Yardang cannot write to its files: {e.Message}");
    Environment.ExitCode = 1;
    return;
}

if (isCommand)
{
    Environment.ExitCode = await OperatorCommands.SayAsync(await OperatorCommands.DoAsync(args, app.Services));
    return;
}

app.Services.GetRequiredService<ServerMetrics>();
app.UseForwardedHeaders();
app.UseHsts();
app.UseSecurityHeaders(app.Services.GetRequiredService<FramedSites>());
app.UseExceptionHandler("/fault/500");
app.UseStatusCodePagesWithReExecute("/fault/{0}");
app.UseRequestLocalization();
app.UseRouting();
app.UseAuthentication();
app.UseAuthorization();
app.UseRateLimiter();
app.UseLiveDoor();
app.MapStaticAssets();
app.MapRazorPages();
app.MapHub<RoomHub>(LiveDoor.Path);
app.MapGet("/screen/{key}/now", (HttpContext context, string key, ScreenEndpoint screen) => screen.NowAsync(context, key));
app.MapGet("/screen/{key}/work/{mask:int}.png", (HttpContext context, string key, int mask, ScreenEndpoint screen) => screen.WorkAsync(context, key, mask));
app.MapGet("/lesson/{lesson:guid}/screen-numbers", (HttpContext context, Guid lesson, ScreenEndpoint screen) => screen.NumbersAsync(context, lesson)).RequireAuthorization();
app.MapGet("/lesson/{lesson:guid}/pairing", (HttpContext context, Guid lesson, ScreenEndpoint screen) => screen.PairAsync(context, lesson)).RequireAuthorization();
app.MapGet("/rooms/{room:guid}/snapshot", (HttpContext context, Guid room, SnapshotEndpoint endpoint) => endpoint.GetAsync(context, room));
app.MapGet("/rooms/{room:guid}/history", (HttpContext context, Guid room, long? after, HistoryEndpoint history) => history.GetAsync(context, room, after));
app.MapGet("/rooms/{room:guid}/restoring", (HttpContext context, Guid room, [AsParameters] RestoreQuery query, RestoringEndpoint restoring) => restoring.GetAsync(context, room, query));
app.MapGet("/rooms/{room:guid}/media/{name}", (HttpContext context, Guid room, string name, MediaEndpoint media) => media.GetAsync(context, room, name));
app.MapPost("/rooms/{room:guid}/media", (HttpContext context, Guid room, string? of, MediaEndpoint media) => media.PostAsync(context, room, of)).RequireRateLimiting(UploadLimit.Policy);
app.MapGet("/rooms/{room:guid}/uploads/{id:guid}", (HttpContext context, Guid room, Guid id, string what, UploadEndpoint uploads) => uploads.GetAsync(context, room, id, what)).RequireRateLimiting(UploadLimit.Pieces);
app.MapPut("/rooms/{room:guid}/uploads/{id:guid}", (HttpContext context, Guid room, Guid id, string what, long at, long of, UploadEndpoint uploads) => uploads.PutAsync(context, room, id, what, at, of)).RequireRateLimiting(UploadLimit.Pieces);
app.MapPost("/rooms/{room:guid}/stimulus", (HttpContext context, Guid room, MediaEndpoint media) => media.PostStimulusAsync(context, room))
    .RequireRateLimiting(UploadLimit.Policy).WithMetadata(new Microsoft.AspNetCore.Mvc.RequestSizeLimitAttribute(64 * 1024 * 1024));
app.MapGet("/rooms/{room:guid}/pictures", (HttpContext context, Guid room, string? words, PictureSearchEndpoint pictures) => pictures.SearchAsync(context, room, words));
app.MapGet("/rooms/{room:guid}/pictures/{id}", (HttpContext context, Guid room, string id, PictureSearchEndpoint pictures) => pictures.ThumbnailAsync(context, room, id));
app.MapPost("/rooms/{room:guid}/pictures/{id}", (HttpContext context, Guid room, string id, PictureSearchEndpoint pictures) => pictures.TakeAsync(context, room, id)).RequireRateLimiting(UploadLimit.Policy);
app.MapPost("/rooms/{room:guid}/link", (HttpContext context, Guid room, string? address, LinkEndpoint links) => links.PostAsync(context, room, address)).RequireRateLimiting(UploadLimit.Policy);
app.MapGet("/rooms/{room:guid}/walls", (HttpContext context, Guid room, BringingAlong bringing) => bringing.WallsAsync(context, room));
app.MapPost("/rooms/{room:guid}/bring", (HttpContext context, Guid room, BringingAlong bringing) => bringing.BringAsync(context, room));
app.MapPost("/rooms/{room:guid}/like", (HttpContext context, Guid room, QuestionsEndpoint questions) => questions.LikeAsync(context, room));
app.MapGet("/rooms/{room:guid}/scores", (HttpContext context, Guid room, WorthALook look) => look.ScoresAsync(context, room));
app.MapPost("/rooms/{room:guid}/reading", (HttpContext context, Guid room, DealingReading dealing) => dealing.DealAsync(context, room));
app.MapGet("/rooms/{room:guid}/noticed", (HttpContext context, Guid room, WorthALook look) => look.CardsAsync(context, room));
app.MapGet("/rooms/{room:guid}/index", (HttpContext context, Guid room, QuestionsEndpoint questions) => questions.IndexAsync(context, room));
app.MapPost("/rooms/{room:guid}/leftovers", (HttpContext context, Guid room, LeftoversEndpoint leftovers) => leftovers.PostAsync(context, room));
app.MapGet("/rooms/{room:guid}/names", async (HttpContext context, Guid room, AccessResolver access, LessonPeople people) =>
    await access.ForRoomAsync(Visitor.Of(context), room) is { Kind: RoomKind.Board or RoomKind.Wall, MayLook: true } found ? Results.Ok(await people.NamesAsync(room, found.Actor)) : Results.NotFound());
app.MapGet("/my-place", async (HttpContext context, Guid? at, MyPlace places) => await places.OfAsync(Visitor.Of(context), at) is { } found ? Results.Ok(found.Place) : Results.NotFound());
app.MapGet("/here", async (HttpContext context, MyPlace places) => Results.Redirect(await places.OfAsync(Visitor.Of(context)) is { } found ? found.Place.Address : "/?unknown=true"));
app.MapGet("/lesson/{lesson:guid}/people.json", async (HttpContext context, Guid lesson, int? part, AccessResolver access, LessonPeople people) =>
    await access.LessonAsync(Visitor.Of(context), lesson, Power.Watches) is { } found && found.FindPart(part ?? found.CurrentPart) is { } asked ? Results.Ok(await people.SeatedAsync(found, asked)) : Results.NotFound());
app.MapGet("/tray/things", (HttpContext context, Guid? lesson, InTrayEndpoint tray) => tray.GetAsync(context, lesson)).RequireAuthorization();
app.MapGet("/tray/count", (HttpContext context, InTrayEndpoint tray) => tray.CountAsync(context)).RequireAuthorization();
app.MapPost("/tray/decide", (HttpContext context, InTrayEndpoint tray) => tray.PostAsync(context)).RequireAuthorization();
app.MapPost("/tray/undo", (HttpContext context, InTrayEndpoint tray) => tray.UndoAsync(context)).RequireAuthorization();
app.MapGet("/lesson/{lesson:guid}/needs", (HttpContext context, Guid lesson, NeedsEndpoint needs) => needs.GetAsync(context, lesson));
app.MapGet("/lesson/{lesson:guid}/slips.pdf", (HttpContext context, Guid lesson, SlipExport slips) => slips.PdfAsync(context, lesson));
app.MapGet("/lesson/{lesson:guid}/media.zip", (HttpContext context, Guid lesson, bool? numbers, MediaExport media) => media.ZipAsync(context, lesson, numbers ?? false));
app.MapGet("/lesson/{lesson:guid}/boards.pdf", (HttpContext context, Guid lesson, string? language, int? part, BoardExport export) => export.PdfAsync(context, lesson, language, part));
app.MapGet("/lesson/{lesson:guid}/board/{board:guid}.{format:regex(^(png|svg|inkml|pdf|csv)$)}", (HttpContext context, Guid lesson, Guid board, string format, int? page, string? language, string? names, string? paper, BoardExport export) =>
    export.PageAsync(context, lesson, board, format, page, language, names, paper));
app.MapGet("/lesson/{lesson:guid}/board/{board:guid}/moments.pdf", (HttpContext context, Guid lesson, Guid board, string[]? m, MomentsExport moments) => moments.PdfAsync(context, lesson, board, m ?? []));
app.MapGet("/lesson/{lesson:guid}/board/{board:guid}/film.svg", (HttpContext context, Guid lesson, Guid board, long? page, MomentsExport moments) => moments.FilmAsync(context, lesson, board, page));
app.MapGet("/lesson/{lesson:guid}/board/{board:guid}/log.{format:regex(^(csv|jsonl)$)}", (HttpContext context, Guid lesson, Guid board, string format, int? person, LogExport log) => log.GetAsync(context, lesson, board, format, person));
app.MapGet("/board/{board:guid}/mine.{format:regex(^(pdf|png)$)}", (HttpContext context, Guid board, string format, int? page, string? language, OwnWork own) => own.GiveAsync(context, board, format, page, language)).RequireRateLimiting(UploadLimit.Policy);
app.MapGet("/template/{key}.png", (HttpContext context, string key, TemplatePictures pictures) => pictures.Get(context, key)).RequireAuthorization();
app.MapGet("/lesson/{lesson:guid}.yardang.zip", (HttpContext context, Guid lesson, BoardExport export) => export.WorkAsync(context, lesson));
app.MapGet("/activity/{activity:guid}.yardang.zip", (HttpContext context, Guid activity, BoardExport export) => export.ArchiveAsync(context, activity));
app.MapGet("/service-worker.js", (HttpContext context, IWebHostEnvironment environment) =>
{
    // Always the newest, and for the whole site, though it lies with the other scripts.
    context.Response.Headers.CacheControl = "no-cache";
    return Results.File(environment.WebRootFileProvider.GetFileInfo("dist/service-worker.js").CreateReadStream(), "text/javascript");
});
app.MapGet("/healthz", (HttpContext context, Health health) => health.Say(context));
await app.RunAsync();

/// <summary>Named so that tests can start the application.</summary>
public partial class Program;
