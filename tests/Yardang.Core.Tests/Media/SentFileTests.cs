using Yardang.Core.Media;

namespace Yardang.Core.Tests.Media;

/// <summary>What a file is that is only taken along, its content says.</summary>
public sealed class SentFileTests
{
    [Theory]
    [InlineData("pdf", FileFormat.Pdf)]
    [InlineData("text", FileFormat.Text)]
    [InlineData("docx", FileFormat.Docx)]
    [InlineData("xlsx", FileFormat.Xlsx)]
    [InlineData("pptx", FileFormat.Pptx)]
    [InlineData("odt", FileFormat.Odt)]
    [InlineData("ods", FileFormat.Ods)]
    [InlineData("odp", FileFormat.Odp)]
    [InlineData("archive", FileFormat.Archive)]
    public void Each_kind_of_file_is_known_by_what_is_in_it(string name, FileFormat format) => Assert.Equal(format, SentFile.Read(MadeUpDocuments.All[name]));

    [Fact]
    public void What_is_none_of_them_is_not_taken()
    {
        Assert.Null(SentFile.Read([]));
        Assert.Null(SentFile.Read("MZ\u0090\0\u0003"u8));
        Assert.Null(SentFile.Read([0xD0, 0xCF, 0x11, 0xE0, 0xA1, 0xB1, 0x1A, 0xE1]));
        Assert.Null(SentFile.Read([(byte)'a', 0xff, (byte)'b']));
        Assert.Null(SentFile.Read("a\0b"u8));
        Assert.Null(SentFile.Read(MadeUpDocuments.Zip("setup.exe")));
        Assert.Null(SentFile.Read(MadeUpDocuments.Zip("word/document.xml")));
        Assert.Null(SentFile.Read(MadeUpDocuments.Zip("[Content_Types].xml", "xl/workbook.xml", "xl/vbaProject.bin")));
        Assert.Null(SentFile.Read(MadeUpDocuments.Zip([.. Enumerable.Range(0, 5_001).Select(i => $"{i}")])));
    }

    [Fact]
    public void A_file_is_called_with_the_ending_of_what_it_is()
    {
        Assert.Equal("plan.pdf", SentFile.NameFor("plan.pdf", FileFormat.Pdf));
        Assert.Equal("plan.PDF", SentFile.NameFor("plan.PDF", FileFormat.Pdf));
        Assert.Equal("plan.pdf", SentFile.NameFor("plan.exe", FileFormat.Pdf));
        Assert.Equal("page.txt", SentFile.NameFor("page.html", FileFormat.Text));
        Assert.Equal("loads.csv", SentFile.NameFor("loads.csv", FileFormat.Text));
        Assert.Equal("plan.yardang.zip", SentFile.NameFor("plan", FileFormat.Archive));
        Assert.Equal(".pdf.pdf", SentFile.NameFor(".pdf", FileFormat.Pdf));
    }

    [Fact]
    public void Five_thousand_damaged_files_of_each_kind_crash_nothing_and_take_little()
    {
        var random = new Random(14);
        foreach (var (_, whole) in MadeUpDocuments.All)
        {
            var before = GC.GetAllocatedBytesForCurrentThread();
            for (var i = 0; i < 5_000; i++)
            {
                var file = whole[..random.Next(whole.Length + 1)];
                for (var change = random.Next(8); change > 0 && file.Length > 0; change--) file[random.Next(file.Length)] = (byte)random.Next(256);
                SentFile.Read(file);
            }

            Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, 5_000L * 64 * 1_024);
        }
    }
}
