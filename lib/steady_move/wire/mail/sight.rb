# frozen_string_literal: true

module SteadyMove
  module Wire
    module Mail
      # What of an HTML part nobody who reads it sees: text that is not displayed, of no size, moved
      # off the page, or of the colour of what lies behind it (CSS 2.1 §§8–18 as far as mail readers
      # follow it, and common practice). Where it can't be told, it counts as hidden: what is hidden
      # decides nothing, and is lost to nobody who looks at the message itself.
      class Sight
        # What an element adds to those around it. ink, ground: [r, g, b]; ground is nil where a
        # picture lies behind it.
        Look = Struct.new(:ink, :ground, :hidden)
        PAPER = Look.new([0, 0, 0], [255, 255, 255], false).freeze

        # Declarations that hide, by property.
        HIDES = {
          "display" => /\Anone\b/,
          "visibility" => /\A(?:hidden|collapse)\b/,
          "mso-hide" => /\Aall\b/,
          "opacity" => /\A(?:0?\.0\d*|0+(?:\.0+)?|[0-4](?:\.\d+)?%)\z/,
          "font-size" => /\A(?:0+(?:\.0+)?\w*%?|[01]?(?:\.\d+)?(?:px|pt|%)|0*\.0\d*r?em)\z/,
          "max-height" => /\A0/,
          "max-width" => /\A0/,
          "text-indent" => /\A-\d{3,}/,
          "clip" => /\Arect\(\s*0/,
          "clip-path" => /\Ainset\(\s*(?:[5-9]\d|100)%/,
          "transform" => /scale[xy]?\(\s*0(?:\.0\d*)?\s*[,)]|translate[xy]?\([^)]*-\d{3,}/,
          "color" => %r{\A(?:transparent|(?:rgb|hsl)a\([^)]*[,/]\s*0(?:\.0\d*)?%?\s*\))}
        }.freeze
        FAR = /\A-\d{3,}/
        SIDES = %w[left right top bottom margin margin-left margin-top].freeze
        NOTHING = /\A0(?:px|pt|em|%)?\z/
        # Colours by name: those that text and paper are hidden with (CSS Color 4 §6.1).
        NAMED = {
          "white" => "ffffff",
          "black" => "000000",
          "snow" => "fffafa",
          "ivory" => "fffff0",
          "ghostwhite" => "f8f8ff",
          "whitesmoke" => "f5f5f5",
          "floralwhite" => "fffaf0",
          "azure" => "f0ffff",
          "mintcream" => "f5fffa",
          "gray" => "808080",
          "grey" => "808080",
          "silver" => "c0c0c0",
          "lightgray" => "d3d3d3",
          "lightgrey" => "d3d3d3",
          "red" => "ff0000",
          "green" => "008000",
          "blue" => "0000ff",
          "navy" => "000080",
          "yellow" => "ffff00",
          "orange" => "ffa500"
        }.freeze
        # So near are two colours that nobody tells them apart (sum over red, green and blue).
        NEAR = 48
        # Classes of an element that are looked at.
        CLASSES = 20
        # Rules of style sheets that are followed.
        RULES = 2000
        RULE = /([^{}@]+)\{([^{}]*)\}/
        COMPOUND = /\A([a-z][a-z0-9]*|\*)?((?:[.#][\w-]+)*)\z/i

        # html: the whole part, for its style sheets.
        def initialize(html)
          sheets = html.scan(%r{<style[^>]*>(.*?)(?:</style|\z)}im).flatten
          @rules =
            sheets
              .flat_map { |css| rules(css) }
              .first(RULES)
              .group_by { |rule| rule[1].first || rule[0] || "*" }
          @sheets = {}
          @open = [PAPER]
        end

        # tag: name; said: its attributes. To be followed by `leave`.
        def enter(tag, said)
          @open.push(look(tag, said, @open.last))
        end

        def leave = @open.size > 1 && @open.pop

        def hidden? = @open.last.hidden

        private

        def look(tag, said, around)
          return around if said.empty? && @rules.empty?

          declared = sheet(tag, said).merge(attributes(said), declarations(said["style"].to_s))
          ink = colour(declared["color"]) || around.ink
          ground = ground(declared, around.ground)
          hidden = around.hidden || said.key?("hidden") || hides?(declared)
          Look.new(ink, ground, hidden || (!ground.nil? && near?(ink, ground)))
        end

        # What the style sheets say of it. A rule for what lies within something else counts
        # wherever its last part fits.
        def sheet(tag, said)
          return {} if @rules.empty?

          @sheets[[tag, said["class"], said["id"]]] ||= begin
            signs = said["class"].to_s.split.first(CLASSES).map { |c| ".#{c}" }
            signs << "##{said["id"]}" if said["id"]
            near = ["*", tag, *signs].uniq.flat_map { |key| @rules.fetch(key, []) }
            fitting =
              near.select do |name, wanted, _|
                [nil, "*", tag].include?(name) && (wanted - signs).empty?
              end
            fitting.map(&:last).reduce({}, :merge)
          end
        end

        def rules(css)
          plain =
            css.gsub(%r{/\*.*?\*/}m, "").gsub(
              /@(?:media|supports)[^{]*\{(?:[^{}]*\{[^{}]*\})*[^{}]*\}/m,
              ""
            )
          plain
            .scan(RULE)
            .flat_map do |selectors, body|
              selectors.split(",").filter_map { |one| rule(one.strip.split(/[\s>+~]+/).last, body) }
            end
        end

        # [tag or nil, [".class", "#id"], declarations], or nil for what is more than these.
        def rule(compound, body)
          found = compound.to_s.match(COMPOUND) or return
          [found[1]&.downcase, found[2].scan(/[.#][\w-]+/), declarations(body)]
        end

        def declarations(text)
          text
            .gsub(%r{/\*.*?\*/}m, "")
            .split(";")
            .filter_map { |one| one.split(":", 2).map(&:strip) if one.include?(":") }
            .to_h { |name, value| [name.downcase, value.downcase.sub(/\s*!\s*important\z/, "")] }
        end

        # The older way to say it (HTML 4.01 §15).
        def attributes(said)
          { "color" => said["color"], "background-color" => said["bgcolor"] }.compact
            .transform_values { |v| v.downcase.strip }
            .merge(said.key?("background") ? { "background-image" => "url" } : {})
        end

        def hides?(declared)
          HIDES.any? { |name, how| declared[name]&.match?(how) } || away?(declared) ||
            folded?(declared)
        end

        def away?(declared)
          placed = declared["position"].to_s.match?(/absolute|fixed|relative/)
          SIDES.any? do |side|
            (placed || side.start_with?("margin")) && declared[side]&.match?(FAR)
          end
        end

        def folded?(declared)
          cut = declared.values_at("overflow", "overflow-x", "overflow-y").compact
          return false unless cut.any? { |o| o.match?(/hidden|clip/) }

          declared
            .values_at("width", "height", "line-height")
            .compact
            .any? { |v| v.match?(NOTHING) }
        end

        def ground(declared, around)
          shorthand = declared["background"].to_s
          found = colour(declared["background-color"]) || colour_within(shorthand)
          return found if found

          pictured = "#{shorthand} #{declared["background-image"]}".match?(/url|gradient/)
          pictured ? nil : around
        end

        def colour_within(text)
          text.scan(/#\h{3,8}|rgba?\([^)]*\)|[a-z]+/).filter_map { |word| colour(word) }.first
        end

        # [r, g, b], or nil for what is no colour.
        def colour(text)
          hex = NAMED[text] || text.to_s[/\A#?(\h{6}|\h{3})\h{0,2}\z/, 1]
          return parts(text.to_s[/\Argba?\(([^)]*)\)/, 1].to_s) unless hex

          hex = hex.gsub(/./) { |sign| sign * 2 } if hex.size == 3
          hex.scan(/../).map(&:hex)
        end

        def parts(text)
          found = text.scan(/\d+/).first(3).map(&:to_i)
          found if found.size == 3
        end

        def near?(one, other) = one.zip(other).sum { |a, b| (a - b).abs } < NEAR
      end
    end
  end
end
