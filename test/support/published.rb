# frozen_string_literal: true

# The IETF's schemas and RFC texts, read from a gem that carries them; nothing of them is copied
# here.
module Published
  FOLDER = File.join(Gem.loaded_specs.fetch("epp-client-base").full_gem_path, "vendor", "ietf")

  module_function

  # Folders of that gem and its siblings.
  FOLDERS = %w[base rgp secdns].map { |g| FOLDER.sub("epp-client-base", "epp-client-#{g}") }.freeze

  def rfc(number)
    File.read(
      FOLDERS.map { |f| File.join(f, "rfc#{number}.txt") }.find { |f| File.exist?(f) },
      encoding: "UTF-8"
    )
  end

  # The examples of an RFC whose lines begin with C: (client) or S: (server), as XML texts in order.
  def examples(number, side)
    lines = rfc(number).lines.grep_v(/\A(Hollenbeck|RFC \d{4})/)
    texts =
      lines.each_with_object([]) do |line, found|
        body = line[/\A\s*#{side}:(.*)/m, 1] or next
        found << +"" if body.include?("<?xml")
        found.last << body unless found.empty?
      end
    texts.filter_map { |t| t[%r{\A.*?</epp>}m] }
  end

  # All EPP schemas as one, for validating whole messages.
  def schema
    @schema ||=
      Dir.chdir(FOLDER) do
        imports = {
          "epp-1.0" => "epp-1.0.xsd",
          "eppcom-1.0" => "eppcom-1.0.xsd",
          "host-1.0" => "host-1.0.xsd",
          "domain-1.0" => "domain-1.0.xsd",
          "contact-1.0" => "contact-1.0.xsd",
          "rgp-1.0" => File.join(FOLDERS[1], "rgp-1.0.xsd")
        }
        lines =
          imports.map do |ns, file|
            %(<import namespace="urn:ietf:params:xml:ns:#{ns}" schemaLocation="#{file}"/>)
          end
        Nokogiri::XML.Schema(
          %(<schema xmlns="http://www.w3.org/2001/XMLSchema">#{lines.join}</schema>)
        )
      end
  end

  # What the schemas have against a message; empty where it is valid.
  def objections(xml) = schema.validate(Nokogiri.XML(xml)).map(&:message)
end
