# frozen_string_literal: true

require "prawn"

module SteadyMove
  module Wire
    # Headings and sentences as a PDF (ISO 32000, written by prawn), on A4.
    module Pdf
      # Debian's fonts-dejavu-core; with the built-in font only what Windows-1252 has can be shown.
      FONTS = "/usr/share/fonts/truetype/dejavu"
      INK = "15201b"
      MUTED = "4b5b54"
      LODEN = "2c5a43"

      module_function

      # title, lead: texts; parts: [[heading or nil, [sentence]]]; page: the words of a page's
      # number, with <page> and <total>. Returns the document's octets.
      def write(title:, lead:, parts:, page:)
        pdf = Prawn::Document.new(page_size: "A4", margin: [54, 54, 64, 54], info: { Title: title })
        letters(pdf)
        pdf.fill_color INK
        pdf.text shown(pdf, title), size: 17, style: :bold
        pdf.fill_color MUTED
        pdf.text shown(pdf, lead), size: 9
        parts.each { |heading, lines| part(pdf, heading, lines) }
        pdf.number_pages shown(pdf, page),
                         at: [0, -24],
                         size: 8,
                         align: :right,
                         width: pdf.bounds.width
        pdf.render
      end

      def letters(pdf)
        return unless File.exist?("#{FONTS}/DejaVuSans.ttf")

        pdf.font_families.update(
          "Plain" => {
            normal: "#{FONTS}/DejaVuSans.ttf",
            bold: "#{FONTS}/DejaVuSans-Bold.ttf"
          }
        )
        pdf.font "Plain"
      end

      def part(pdf, heading, lines)
        pdf.move_down 9
        pdf.fill_color LODEN
        pdf.text shown(pdf, heading), size: 11, style: :bold if heading
        pdf.fill_color INK
        lines.each do |line|
          pdf.move_down 2
          pdf.text shown(pdf, line), size: 9.5, leading: 1.5
        end
      end

      # Without a font of its own a sign that can't be shown becomes a question mark.
      def shown(pdf, text)
        return text if pdf.font.name == "Plain" || pdf.font.unicode?

        text.encode("Windows-1252", undef: :replace, invalid: :replace).encode("UTF-8")
      end
      private_class_method :letters, :part, :shown
    end
  end
end
