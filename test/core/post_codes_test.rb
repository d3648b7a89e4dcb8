# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/post_reading"

# Authorization codes in the wordings of registrars (invented), and their masking.
class PostCodesTest < Minitest::Test
  include PostReading

  LONG = "#{"k3Y" * 22}+/x".freeze

  # text => code, a part of what is said
  CODES = [
    ["The authorization code is aB3,x\"9!zz", "aB3,x\"9!zz", nil],
    ["Authorization code: aB3x99.", "aB3x99.", nil],
    ["The authorization code is: Jk2-77.pqZ", "Jk2-77.pqZ", nil],
    ["Authorization code: a7K-9.xyz", nil, nil], # perhaps a host: a question
    ["Authorization code: my.codes2.example", nil, nil],
    ["Auth code:\n\n   aB3x99\n", "aB3x99", nil],
    ["EPP code = q;w:e9", "q;w:e9", nil],
    ["Your transfer key is “two words”.", "two words", nil],
    [
      "Authorization code: " \
        "#{LONG[0, 64]}\n#{LONG[64..]}\n\nGoodbye",
      LONG,
      "put together"
    ],
    ["Authorization code: abc123\nNext", "abc123", nil],
    ["Authorization code: abc123\nThe authorization code is: abc123", "abc123", nil],
    ["Authorization code of a: one111\nAuthorization code of b: two222", nil, "2 different codes"],
    ["Ask for the authorization code in your account.", nil, nil],
    ["Authorization code:", nil, nil],
    [
      "Your authorization code is valid for 5 days. The code is shown below:\n\n  " \
        "aB3x-99kQ\n\nKeep it safe.",
      "aB3x-99kQ",
      nil
    ],
    ["The code shown here is valid until 6 March: Zx81kkq", "Zx81kkq", nil],
    ["The EPP code for ferry.example is aB3x99kQ.", "aB3x99kQ", nil],
    ["Here is your auth code for the domain ferry.example:\naB3x99kQ", "aB3x99kQ", nil],
    ["AuthInfo: 7!kd#9aQ", "7!kd#9aQ", nil],
    ["Auth-Info code (ferry.example): aB3x99", "aB3x99", nil],
    ["| Domain | Auth code |\n|---|---|\n| ferry.example | aB3x99 |", "aB3x99", nil],
    ["Domain\tExpires\tAuth code\nferry.example\t2027-05-01\taB3x99kk", "aB3x99kk", nil],
    ["Domain           Code\nferry.example    aB3x99kk\n", "aB3x99kk", nil],
    ["Authorization code\taB3x99\nName\tferry.example", "aB3x99", nil],
    ["Your transfer key: \"two words\"", "two words", nil],
    ["Authorization code: aB3x 9kQ2 77pp", nil, nil],
    ["Use aB3x99kQ as the authorization code for ferry.example.", "aB3x99kQ", nil],
    [
      "The code aB3x99kQ authorises the transfer of ferry.example. It's your auth code.",
      "aB3x99kQ",
      nil
    ],
    ["Authorization code ⇒ aB3x99", "aB3x99", nil],
    ["auth code = `aB3x99`", "aB3x99", nil],
    ["Your EPP/Auth code is <aB3x99>.", "aB3x99", nil],
    ["authorization code – aB3x99kQ", "aB3x99kQ", nil],
    ["Transfer password for ferry.example: letmein-harbour", "letmein-harbour", nil],
    ["Your domain secret: 9912 ", "9912", nil],
    ["The authorization code will be sent to the registrant within 24 hours.", nil, nil],
    ["The authorization code has been changed.", nil, nil],
    ["Authorization code: (hidden)", nil, nil],
    ["Authorization code: see your account", nil, nil],
    ["Authorization code status: active", nil, nil],
    ["Order number: 2231AB77\nAuthorization code: qW34!x", "qW34!x", nil],
    ["Promo code: SAVE10\nYour auth code is x7Y8z9Q1", "x7Y8z9Q1", nil],
    ["EPP: aB3x99", "aB3x99", nil],
    ["Auth-Code für ferry.example: aB3x99", "aB3x99", nil],
    ["Der Autorisierungscode lautet aB3x99kQ.", "aB3x99kQ", nil],
    ["Le code d'autorisation est : aB3x99", "aB3x99", nil],
    ["Su código de autorización es aB3x99kQ", "aB3x99kQ", nil],
    ["認証コード：aB3x99kQ", "aB3x99kQ", nil],
    ["ferry.example の認証鍵は「Kj8-aaT2」です。", "Kj8-aaT2", nil],
    ["The authorization code you asked for: swordfish lane nine", nil, "blanks"],
    ["Authorization code: contact our support", nil, nil],
    ["Auth-ID: 9f8e7d6c5b4a", "9f8e7d6c5b4a", nil],
    [
      "Use the following transfer code to move your domain:\n\n    p4ss word 77\n\nRegards",
      nil,
      "blanks"
    ],
    [
      "To transfer ferry.example give the new registrar this code:\n\n  kelp-and-brine\n\nIt " \
        "works for 14 days.",
      "kelp-and-brine",
      nil
    ],
    ["ferry.example の認証コードは aB3x99kQ です。", "aB3x99kQ", nil],
    ["Authorization code is as follows\n\naB3x99kQ\n\nBye", "aB3x99kQ", nil],
    [
      "Please find below the authorization code you asked for.\n\n    aB3x99kQ\n\nRegards",
      "aB3x99kQ",
      nil
    ],
    ["Your code of authorization: aB3x99kQ", "aB3x99kQ", nil],
    [
      "The authorisation code (also called auth-info or EPP code) for your name is:\n  *aB3x99kQ*",
      "*aB3x99kQ*",
      nil
    ]
  ].freeze

  def test_codes
    CODES.each do |text, code, says|
      found = read("Authorization code of ferry.example", text)
      code.nil? ? assert_nil(found.code, text) : assert_equal(code, found.code, text)
      assert_includes reasons(found), says if says
      code && text.include?(code) && refute_includes(masked(text, found), code, text)
    end
  end

  def masked(text, found) = Core::Post::Masking.mask(text, found.candidates, speaks: found.speaks)

  # {text => what must not be readable any more}: whatever may be a code
  HIDDEN = {
    "Authorization code: aB3x 9kQ2 77pp" => %w[aB3x 9kQ2 77pp],
    "Auth code one: secret11\nAuth code two: secret22" => %w[secret11 secret22],
    "Your authorization code is\taB3x\t9kQ2" => %w[aB3x 9kQ2],
    "https://reg.test/in?authcode=aB3x9kQ2&x=1 leads to it" => %w[aB3x9kQ2],
    "Use this transfer code:\n\n    p4ss word 77\n\nRegards" => ["p4ss", "word 77"],
    "Give the new registrar this code:\n\n  kelp-and-brine\n\nBye" => ["kelp-and-brine"],
    "Auth code: swordfish lane nine" => ["swordfish", "lane nine"],
    "It is <ZZ12ab!!>, keep it safe. This is the auth code." => %w[ZZ12ab !!],
    "Kod: Zx81kkQ9 i tyle" => %w[Zx81kkQ9],
    "Authorization code: #{LONG[0, 64]}\n#{LONG[64..]}" => [LONG[0, 64], LONG[64..]],
    "> ferry.example: aB3x99\n> isles.example, two words\nThese are the auth codes." => [
      "aB3x99",
      "two words"
    ]
  }.freeze

  def test_whatever_may_be_a_code_is_masked
    HIDDEN.each do |text, pieces|
      found = read("About ferry.example", text)
      pieces.each { |piece| refute_includes masked(text, found), piece, text }
    end
    label = "Your AuthInfo code for ferry.example, and the Auth-Code of others."
    assert_equal label, masked(label, read("About ferry.example", label))
    plain =
      "Answer by 2027-03-06 10:00 UTC at https://reg.test/a/B7c9d?x=1, order SM-0001-ab9c, 15.00 " \
        "EUR."
    assert_equal plain, masked(plain, read("Authorization code of ferry.example", plain))
  end

  # text => {name => code} of a list in it
  LISTS = [
    [
      "ferry.example: aB3x99\nisles.example: zz;11,y",
      { "ferry.example" => "aB3x99", "isles.example" => "zz;11,y" }
    ],
    ["ferry.example: aB3x99\nisles.example, two words", { "ferry.example" => "aB3x99" }],
    ["> ferry.example: aB3x99\n> isles.example, two words", {}],
    [
      "Domain;Auth code\nferry.example;aB3x99\nisles.example;zz;11",
      { "ferry.example" => "aB3x99", "isles.example" => "zz;11" }
    ],
    [
      "Domain: ferry.example\nCode: aB3x99\n\nDomain: isles.example\nCode: zz11yy",
      { "ferry.example" => "aB3x99", "isles.example" => "zz11yy" }
    ],
    [
      "Name\tExpires\tAuth " \
        "key\nferry.example\t2027-05-01\taB3x99\nisles.example\t2027-06-01\tzz11yy",
      { "ferry.example" => "aB3x99", "isles.example" => "zz11yy" }
    ],
    [
      "FERRY.EXAMPLE = q1w2e3\nisles.example\tt4b5",
      { "ferry.example" => "q1w2e3", "isles.example" => "t4b5" }
    ],
    [
      "ferry.example: one111\nferry.example: two222\nisles.example: x99999",
      { "isles.example" => "x99999" }
    ],
    [
      "ferry.example: same11\nferry.example: same11\nisles.example: x99999",
      { "ferry.example" => "same11", "isles.example" => "x99999" }
    ],
    ["ferry.example: aB3x99", { "ferry.example" => "aB3x99" }],
    ["stranger.test: aB3x99\nferry.example: bbb222", { "ferry.example" => "bbb222" }],
    [
      "ferry.example\nAa11Bb22\n\nisles.example\nCc33Dd44",
      { "ferry.example" => "Aa11Bb22", "isles.example" => "Cc33Dd44" }
    ],
    [
      "Auth code for ferry.example → hunter2; auth code for isles.example → hunter3",
      { "ferry.example" => "hunter2", "isles.example" => "hunter3" }
    ],
    ["ferry.example has left us.\nSee https://reg.test/x", {}]
  ].freeze

  def test_lists_of_codes
    LISTS.each do |text, codes|
      found = read("The authorization codes", text)
      assert_equal codes, found.codes.to_h, text
      codes.each_value { |code| refute_includes masked(text, found), code, text }
    end
  end
end
