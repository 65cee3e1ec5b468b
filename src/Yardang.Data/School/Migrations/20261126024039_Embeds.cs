using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Yardang.Data.School.Migrations
{
    /// <inheritdoc />
    public partial class Embeds : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "EmbedKey",
                table: "Lessons",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_EmbedKey",
                table: "Lessons",
                column: "EmbedKey",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Lessons_EmbedKey",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "EmbedKey",
                table: "Lessons");
        }
    }
}
