using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class BoardSummaryConfiguration : IEntityTypeConfiguration<BoardSummaryRecord>
{
    public void Configure(EntityTypeBuilder<BoardSummaryRecord> builder)
    {
        builder.ToTable("BoardSummaries");
        builder.HasKey(s => s.BoardId);
        builder.HasIndex(s => s.LessonId);
    }
}
