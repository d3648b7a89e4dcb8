# frozen_string_literal: true

# The IETF's schemas and RFC texts, read from a gem that carries them; nothing of them is copied here.
module Published
  FOLDER = File.join(Gem.loaded_specs.fetch("epp-client-base").full_gem_path, "vendor", "ietf")

  module_function

  def rfc(number) = File.read(File.join(FOLDER, "rfc#{number}.txt"), encoding: "UTF-8")

  # The examples of an RFC whose lines begin with C: (client) or S: (server), as XML texts in order.
  def examples(number, side)
    lines = rfc(number).lines.grep_v(/\A(Hollenbeck|RFC \d{4})/)
    texts = lines.each_with_object([]) do |line, found|
      body = line[/\A\s*#{side}:(.*)/m, 1] or next
      found << +"" if body.include?("<?xml")
      found.last << body unless found.empty?
    end
    texts.select { |t| t.include?("</epp>") }
  end

  # All EPP schemas as one, for validating whole messages.
  def schema
    @schema ||= Dir.chdir(FOLDER) do
      imports = { "epp-1.0" => "epp-1.0.xsd", "eppcom-1.0" => "eppcom-1.0.xsd", "host-1.0" => "host-1.0.xsd",
                  "domain-1.0" => "domain-1.0.xsd", "contact-1.0" => "contact-1.0.xsd" }
      lines = imports.map { |ns, file| %(<import namespace="urn:ietf:params:xml:ns:#{ns}" schemaLocation="#{file}"/>) }
      Nokogiri::XML::Schema(%(<schema xmlns="http://www.w3.org/2001/XMLSchema">#{lines.join}</schema>))
    end
  end

  # What the schemas have against a message; empty where it is valid.
  def objections(xml) = schema.validate(Nokogiri::XML(xml)).map(&:message)
end
