using Yardang.Data.Media;

namespace Yardang.Web.Tests.Media;

public sealed class MediaStoreTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("yardang-media-").FullName;

    [Fact]
    public async Task The_same_picture_is_kept_once_and_read_back_whole()
    {
        var store = new MediaStore(_folder);
        var first = await store.KeepAsync([1, 2, 3], TestContext.Current.CancellationToken);
        var second = await store.KeepAsync([1, 2, 3], TestContext.Current.CancellationToken);
        Assert.Equal(first, second);
        Assert.Equal([1, 2, 3], store.Find(first)!);
        Assert.Single(Directory.GetFiles(_folder, "*", SearchOption.AllDirectories));
    }

    [Theory]
    [InlineData("")]
    [InlineData("../../../../etc/passwd")]
    [InlineData("..")]
    [InlineData("0000")]
    [InlineData("ABCDEF0000000000000000000000000000000000000000000000000000000000")]
    public void A_name_that_is_none_finds_nothing(string name) => Assert.Null(new MediaStore(_folder).Find(name));

    [Fact]
    public async Task Many_who_keep_the_same_picture_at_once_do_not_spoil_it()
    {
        var store = new MediaStore(_folder);
        var picture = new byte[200_000];
        Random.Shared.NextBytes(picture);
        var names = await Task.WhenAll(Enumerable.Range(0, 12).Select(_ => Task.Run(() => store.KeepAsync(picture))));
        Assert.Single(names.Distinct());
        Assert.Equal(picture, store.Find(names[0])!);
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);
}
